<?php

declare(strict_types=1);

namespace App\Content;

use App\Catalogue\CatalogueStore;
use App\Catalogue\PeopleNames;
use App\Database\PostgresArray;
use App\Listing\Compile\Compiler;
use App\Listing\Compile\FieldSql;
use App\Listing\ContextFactory;
use App\Models\Item;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Who\Viewer;

/**
 * The items of one type for managers, in every state: by words, state and any condition of a module.
 */
final readonly class ItemQuery
{
    /** Orders besides those by a field. */
    private const OTHER = ['status' => 'status', 'byHand' => 'position'];

    public function __construct(
        private Compiler $compiler,
        private CatalogueStore $catalogue,
        private ContextFactory $contexts,
        private PeopleNames $names,
    ) {
    }

    /**
     * @param  array<string, mixed>  $asked  q, status, where (a group as in a module), slugs (joined by commas)
     * @return Builder<Item>
     *
     * @throws \Wellspring\Core\Problem\Refused when a condition is wrong
     */
    public function find(Type $type, array $asked, User $who): Builder
    {
        $text = fn (string $key): string => is_string($asked[$key] ?? null) ? self::readable($asked[$key]) : '';
        $query = Item::query()->where('items.type_key', $type->key);
        if (! $who->isManager()) {
            $query->where('author_id', $who->id);
        }
        if ($text('q') !== '') {
            $query->whereRaw("items.folded->>'title' like ?", ['%'.addcslashes(Fold::of($text('q')), '%_\\').'%']);
        }
        if (in_array($text('status'), ['draft', 'published'], true)) {
            $query->where('status', $text('status'));
        }
        if ($text('slugs') !== '') {
            $query->whereIn('slug', explode(',', $text('slugs')));
        }
        $where = is_string($asked['where'] ?? null)
            ? json_decode($asked['where'], true, 16)
            : ($asked['where'] ?? null);
        if (is_array($where) && $where !== []) {
            $problems = new Problems;
            $group = ConditionReader::for($type, $this->catalogue->catalogue(), $problems)->group(
                $this->names->askedBy($who, $type, $where),
                'where',
                1,
            );
            $problems->refuseIfAny();
            if ($group !== null) {
                $context = $this->contexts->at(new \DateTimeImmutable, Viewer::member($who->email));
                $fragment = $this->compiler->rule($group->bound($context), $context);
                $query->whereRaw("({$fragment->sql})", $fragment->bindings);
            }
        }

        return $query;
    }

    /**
     * @param  Builder<Item>  $query
     * @return Builder<Item>
     */
    public function order(Builder $query, Type $type, string $by, bool $up): Builder
    {
        $field = $type->field($by);
        $direction = $up ? 'asc' : 'desc';
        if ($field !== null && $field->family()->ordered()) {
            $fragment = FieldSql::order($field);
            $query->orderByRaw(
                "{$fragment->sql} {$direction}".($field->isNeverEmpty() && $by !== 'publish_at' ? '' : ' nulls last'),
                $fragment->bindings,
            );
        } else {
            $query->orderByRaw((self::OTHER[$by] ?? 'updated_at')." {$direction} nulls last");
        }

        return $query->orderBy('items.id', $by === 'updated_at' ? $direction : 'asc');
    }

    /**
     * Leaves out columns that tables do not show, because texts with markup may be very long.
     *
     * @param  Builder<Item>  $query
     * @return Builder<Item>
     */
    public static function withoutLongTexts(Builder $query, Type $type): Builder
    {
        $long = array_keys(array_filter($type->fields, fn ($field): bool => $field->family() === Family::LongText));
        $columns = [
            'id',
            'type_key',
            'slug',
            'title',
            'status',
            'publish_at',
            'expire_at',
            'audience',
            'author_id',
            'lead',
            'revision',
            'created_at',
            'updated_at',
        ];
        $query->getQuery()->select(array_map(fn (string $column): string => "items.{$column}", $columns))
            ->selectRaw('null as text')
            ->selectRaw('items.fields - ?::text[] as fields', [PostgresArray::literal($long)]);

        return $query;
    }

    /** A search text that PostgreSQL accepts. */
    private static function readable(string $asked): string
    {
        return Whitespace::trim(str_replace("\0", '', mb_scrub($asked)));
    }
}
