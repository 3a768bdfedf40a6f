<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use App\Casts\TextList;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Support\Facades\DB;

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
 * @property int $revision one more after each change of its own values
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
        'revision',
    ];

    protected function casts(): array
    {
        return [
            'fields' => JsonObject::class, 'folded' => JsonObject::class, 'media_names' => TextList::class,
        ];
    }

    /** @return list<int> its id and the ids of all terms above it, nearest first */
    public function idsUpward(): array
    {
        $rows = DB::select(<<<'SQL'
            with recursive upward(id, parent_id, level) as (
                select id, parent_id, 0 from terms where id = ?
                union all
                select terms.id, terms.parent_id, level + 1 from terms join upward on terms.id = upward.parent_id
            ) cycle id set is_circle using path
            select id from upward where not is_circle order by level
            SQL, [$this->id]);

        return array_map(intval(...), array_column($rows, 'id'));
    }

    /** @return BelongsToMany<Item, $this> */
    public function items(): BelongsToMany
    {
        return $this->belongsToMany(Item::class);
    }
}
