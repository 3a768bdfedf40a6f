<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;

/**
 * @property int $id
 * @property string $taxonomy_key
 * @property int|null $parent_id
 * @property string $slug
 * @property string $name
 * @property string $description HTML, made safe
 * @property string|null $picture
 * @property string|null $colour
 * @property array<string, mixed> $fields
 * @property array<string, mixed> $folded its texts in the form in which they are compared
 * @property string $words of its name, for search
 * @property int $position
 * @property list<string> $media_names of the files that it uses, kept by the database
 */
final class Term extends Model
{
    protected $fillable = [
        'taxonomy_key',
        'parent_id',
        'slug',
        'name',
        'description',
        'picture',
        'colour',
        'fields',
        'folded',
        'words',
        'position',
    ];

    protected function casts(): array
    {
        return [
            'fields' => JsonObject::class, 'folded' => JsonObject::class, 'media_names' => TextList::class,
        ];
    }

    /** @return BelongsToMany<Item, $this> */
    public function items(): BelongsToMany
    {
        return $this->belongsToMany(Item::class);
    }
}
