<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A content type in the form of its file.
 *
 * @property string $key
 * @property array<string, mixed> $definition
 * @property int $position
 * @property int $revision one more after each change of its definition
 */
final class ContentType extends Model
{
    protected $table = 'types';

    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $fillable = ['key', 'definition', 'position', 'revision'];

    protected function casts(): array
    {
        return ['definition' => 'array'];
    }

    /** @return HasMany<Item, $this> */
    public function items(): HasMany
    {
        return $this->hasMany(Item::class, 'type_key', 'key');
    }
}
