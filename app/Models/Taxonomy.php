<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $key
 * @property string $label
 * @property bool $tree
 * @property int $revision one more after each change of its definition
 * @property array<string, mixed> $fields of its terms, as `properties` and `required` of a type file
 */
final class Taxonomy extends Model
{
    protected $primaryKey = 'key';

    protected $keyType = 'string';

    public $incrementing = false;

    protected $fillable = ['key', 'label', 'tree', 'fields', 'revision'];

    protected function casts(): array
    {
        return ['tree' => 'bool', 'fields' => JsonObject::class];
    }

    /** @return HasMany<Term, $this> */
    public function terms(): HasMany
    {
        return $this->hasMany(Term::class, 'taxonomy_key', 'key');
    }
}
