<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * A named group of people.
 *
 * @property int $id
 * @property string $key
 * @property string $name
 * @property int $revision
 */
final class Group extends Model
{
    protected $fillable = ['key', 'name', 'revision'];

    protected $attributes = ['revision' => 1];

    /** @return BelongsToMany<User, $this> */
    public function people(): BelongsToMany
    {
        return $this->belongsToMany(User::class);
    }
}
