<?php

declare(strict_types=1);

namespace App\Models;

use App\Casts\JsonObject;
use App\Casts\NumberList;
use App\Casts\TextList;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * One item of a content type. Empty values are never stored: they are null, or absent from `fields`.
 *
 * @property int $id
 * @property string $type_key
 * @property string $slug
 * @property string $title
 * @property 'draft'|'published' $status
 * @property CarbonImmutable|null $publish_at
 * @property CarbonImmutable|null $expire_at
 * @property list<string> $audience keys, see Wellspring\Core\Who\Audience
 * @property bool $lead
 * @property string|null $text HTML, made safe
 * @property array<string, mixed> $fields
 * @property array<string, string> $folded the texts in the form in which they are compared
 * @property array<string, mixed> $words the words of its texts, by how they stand for search and by field
 * @property list<int> $term_ids ids of its terms, kept by the database
 * @property list<string> $media_names of the files that it uses, kept by the database
 * @property int|null $author_id
 * @property int|null $position by hand, within its type; null: never placed
 * @property int $revision
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 * @property Collection<int, Term> $terms
 * @property Collection<int, ItemLink> $links
 * @property User|null $author
 */
final class Item extends Model
{
    protected $fillable = [
        'type_key',
        'slug',
        'title',
        'status',
        'publish_at',
        'expire_at',
        'audience',
        'lead',
        'text',
        'fields',
        'folded',
        'words',
        'author_id',
    ];

    /** PostgreSQL's form of an instant; any other format would be detected again at each use. */
    protected $dateFormat = 'Y-m-d H:i:sO';

    protected function casts(): array
    {
        return [
            'publish_at' => 'immutable_datetime',
            'expire_at' => 'immutable_datetime',
            'created_at' => 'immutable_datetime',
            'updated_at' => 'immutable_datetime',
            'lead' => 'bool',
            'fields' => JsonObject::class,
            'audience' => TextList::class, 'folded' => JsonObject::class,
            'words' => JsonObject::class,
            'term_ids' => NumberList::class,
            'media_names' => TextList::class,
        ];
    }

    /** The columns of a record; the columns for search and comparison are larger and left out. */
    public const RECORD_COLUMNS = [
        'id', 'type_key', 'slug', 'title', 'status', 'publish_at', 'expire_at', 'audience', 'author_id', 'lead', 'text',
        'fields', 'created_at', 'updated_at',
    ];

    /**
     * The columns of a record.
     *
     * @return list<string>
     */
    public static function shown(): array
    {
        return ['terms', ...self::shownLinks()];
    }

    /**
     * The linked records, with the columns that links show.
     *
     * @return list<string>
     */
    public static function shownLinks(): array
    {
        return [
            'links.target:id,type_key,slug,title,status,publish_at,expire_at,audience,author_id',
            'links.person:id,name,email,slug,active',
        ];
    }

    /**
     * The columns of its values.
     *
     * @return list<string>
     */
    public static function whole(): array
    {
        return [...self::shown(), 'author:id,name,email,slug,active'];
    }

    /** @return HasMany<ItemLink, $this> */
    public function links(): HasMany
    {
        $links = $this->hasMany(ItemLink::class);
        $links->orderBy('field')->orderBy('position');

        return $links;
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }

    /** @return BelongsToMany<Term, $this> */
    public function terms(): BelongsToMany
    {
        return $this->belongsToMany(Term::class, 'item_term')->orderBy('terms.position')->orderBy('terms.id');
    }
}
