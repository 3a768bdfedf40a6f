<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Models\FreeName;
use App\Models\Item;
use App\Models\ItemLink;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Time\Iso8601;

/** The one way in which items are stored, from the form, from imports and from edits of many alike. */
final readonly class ItemWriter
{
    /** How often a write is tried again that the database ended because of others' locks. */
    private const ATTEMPTS = 5;

    /** How many rows one statement brings; a statement has room for 65,535 values. */
    private const ROWS = 5000;

    public function __construct(
        private CatalogueStore $catalogue,
        private SafeHtml $html,
        public ItemReferences $references,
    ) {
    }

    /**
     * Faults that only the stored content can tell: a slug that is taken, a picture, an item or a person that is not
     * there.
     *
     * @throws Refused
     */
    public function check(Type $type, ItemDraft $draft, ?Item $item = null): void
    {
        foreach ($this->faults($type, [[$draft, $item]]) as $refused) {
            throw $refused;
        }
    }

    /**
     * The same of many, in a few queries for all of them.
     *
     * @param  array<int, array{ItemDraft, Item|null}>  $drafts  each with the item that it changes
     * @return array<int, Refused> why one cannot be written, by its key
     */
    public function faults(Type $type, array $drafts): array
    {
        $this->references->load($type, array_column($drafts, 0));
        $slugs = array_filter(array_map(fn (array $one): ?string => $one[0]->slug, $drafts));
        $owners = $slugs === [] ? new Collection : Item::query()
            ->where('type_key', $type->key)
            ->whereIn('slug', array_values($slugs))
            ->get(['id', 'slug', 'title', 'author_id'])
            ->keyBy('slug');
        $faults = [];
        foreach ($drafts as $n => [$draft, $item]) {
            $problems = $this->problems($type, $draft, $item, $owners->get((string) $draft->slug));
            if ($problems->all() !== []) {
                $faults[$n] = new Refused($problems->all());
            }
        }

        return $faults;
    }

    /** @param  Item|null  $owner  that has the draft's slug */
    private function problems(Type $type, ItemDraft $draft, ?Item $item, ?Item $owner): Problems
    {
        $problems = new Problems;
        if ($owner !== null && $owner->id !== $item?->id) {
            // The title of what is not theirs is not told to an author.
            $by = Actor::user() !== null && Gate::denies('edit', $owner) ? '' : " by “{$owner->title}”";
            $problems->add(
                'slug',
                ProblemCode::Taken,
                "“{$draft->slug}” is taken{$by}; expected a slug that no other {$type->label} has.",
            );
        }
        foreach (array_diff($draft->audience->groups(), $this->groupKeys()) as $unknown) {
            $problems->add('audience', ProblemCode::UnknownGroup, "there is no group “{$unknown}”.");
        }
        if ($draft->author !== null && $this->references->personId($draft->author) === null) {
            $problems->add(
                'author',
                ProblemCode::UnknownPerson,
                "expected the e-mail address of one of the site’s people, found “{$draft->author}”.",
            );
        }
        foreach ($type->fields as $field) {
            foreach ($this->references->missing($field, $draft->fields[$field->key] ?? null) as $name) {
                [$code, $what] = ItemReferences::expected($field);
                $problems->add($field->key, $code, "expected {$what}, found “{$name}”.");
            }
        }

        return $problems;
    }

    /** The draft without what it names and the site no longer has. */
    public function known(Type $type, ItemDraft $draft): ItemDraft
    {
        $fields = $draft->fields;
        foreach ($type->fields as $field) {
            $missing = $this->references->missing($field, $fields[$field->key] ?? null);
            if ($missing !== []) {
                $kept = array_values(array_diff(array_filter((array) $fields[$field->key], is_string(...)), $missing));
                $fields[$field->key] = $kept === [] ? null : $kept;
            }
        }

        return $draft->with(
            $draft->slug ?? '',
            $draft->publishAt,
            $draft->text,
            array_filter($fields, fn (mixed $value): bool => $value !== null),
        );
    }

    /**
     * @param  int|null  $as  the id it had before it was removed
     * @param  int  $after  the number of its last revision then
     *
     * @throws Refused when another item takes the slug at the same moment
     */
    public function create(
        Type $type,
        ItemDraft $draft,
        ?int $as = null,
        int $after = 0,
        ?RevisionRecorder $recorder = null,
    ): Item {
        $item = new Item(['type_key' => $type->key]);
        if ($as !== null) {
            $item->id = $as;
        }
        $item->revision = $after + 1;

        return self::together(
            fn (): Item => $this->insert($type, [[$item, $draft]], [], $recorder ?? RevisionRecorder::single())[0],
        );
    }

    /**
     * Makes many items, in a few statements for all of them.
     *
     * @param  list<ItemDraft>  $drafts
     * @param  array<array-key, mixed>  $reserved  slugs, as keys, that one made from a title may not take
     *
     * @throws Refused when another item takes one of the slugs at the same moment
     */
    public function createAll(Type $type, array $drafts, array $reserved, RevisionRecorder $recorder): void
    {
        $new = array_map(function (ItemDraft $draft) use ($type): array {
            $item = new Item(['type_key' => $type->key]);
            $item->revision = 1;

            return [$item, $draft];
        }, $drafts);
        self::together(fn (): array => $this->insert($type, $new, $reserved, $recorder));
    }

    /**
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     * @throws ModelNotFoundException when it was removed meanwhile
     */
    public function update(
        Item $item,
        Type $type,
        ItemDraft $draft,
        ?int $revision = null,
        ?RevisionRecorder $recorder = null,
    ): Item {
        return self::together(function () use ($item, $type, $draft, $revision, $recorder): Item {
            $item = self::locked($item, $revision);
            RevisionRecorder::keep($item, $type);
            $before = $item->revision++;

            return $this->overwrite($item, $type, $draft, $before, $recorder ?? RevisionRecorder::single());
        });
    }

    /**
     * Its revisions stay, so that it can come back.
     *
     * @param  int|null  $revision  the revision that whoever removes it has seen; null to remove it in any case
     *
     * @throws StaleWrite
     * @throws ModelNotFoundException when it was removed meanwhile
     */
    public function remove(Item $item, RevisionRecorder $recorder, ?int $revision = null): void
    {
        $type = $this->catalogue->catalogue()->type($item->type_key);
        self::together(function () use ($item, $type, $recorder, $revision): void {
            $item = self::locked($item, $revision);
            if ($type !== null) {
                RevisionRecorder::keep($item, $type);
            }
            $recorder->removing([$item]);
            $item->delete();
        });
    }

    /**
     * Locks items against others' writes, in the one order in which everybody locks several: by id. What only links to
     * them does not wait.
     *
     * @param  list<int>  $ids
     */
    public static function lock(array $ids): void
    {
        sort($ids);
        foreach (array_chunk($ids, 5000) as $some) {
            DB::select(
                'select id from items where id = any(?::bigint[]) order by id for no key update',
                ['{'.implode(',', $some).'}'],
            );
        }
    }

    private static function locked(Item $item, ?int $revision): Item
    {
        $query = Item::query();
        $query->getQuery()->lock('for no key update');
        $item = $query->findOrFail($item->id);
        if ($revision !== null && $item->revision !== $revision) {
            throw new StaleWrite($item->revision);
        }

        return $item;
    }

    /** @param  int  $before  its revision before */
    private function overwrite(
        Item $item,
        Type $type,
        ItemDraft $draft,
        int $before,
        RevisionRecorder $recorder,
    ): Item {
        $draft = $this->prepared($type, $draft, $draft->slug ?? $item->slug, $item->publish_at);
        $this->fill($item, $type, $draft);
        $item->fill(['slug' => $draft->slug, 'folded' => ItemTexts::folded($type, $draft)])->save();
        $this->replaceTerms($item, $draft);
        $this->replaceLinks($item, $type, $draft);
        $recorder->wrote([[$item, $before, $draft->values()]]);

        return $item;
    }

    /**
     * @param  list<array{Item, ItemDraft}>  $new
     * @param  array<array-key, mixed>  $reserved
     * @return list<Item>
     *
     * @throws Refused
     */
    private function insert(Type $type, array $new, array $reserved, RevisionRecorder $recorder): array
    {
        $named = $unnamed = $drafts = [];
        foreach ($new as $n => [$item, $draft]) {
            $drafts[$n] = $draft = $this->prepared($type, $draft, $draft->slug ?? '', null);
            $this->fill($item, $type, $draft);
            $item->slug = (string) $draft->slug;
            $item->term_ids = $this->wantedTerms($draft);
            $item->folded = ItemTexts::folded($type, $draft);
            $item->slug === '' ? $unnamed[] = $item : $named[] = $item;
        }
        if ($named !== [] && $unnamed !== []) {
            // They are inserted apart, and their ids follow one another all the same.
            $ids = DB::select("select nextval('items_id_seq') as id from generate_series(1, ?)", [count($new)]);
            array_map(fn (array $one, \stdClass $row): mixed => $one[0]->id ??= (int) $row->id, $new, $ids);
        }
        foreach (FreeName::insertNamed($named, 'slug', ['type_key']) as $taken) {
            throw Refused::because(
                'slug',
                ProblemCode::Taken,
                "“{$taken->slug}” was taken a moment ago; expected a slug that no other {$type->label} has.",
            );
        }
        FreeName::insertAll(
            $unnamed,
            'slug',
            ['type_key'],
            function (Item $item): \Closure {
                $base = Slug::from($item->title);

                return fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}";
            },
            $reserved,
            fn (Item $item): array => $item->folded = ['slug' => $item->slug] + $item->folded,
        );
        $items = array_column($new, 0);
        $terms = $links = $revisions = [];
        foreach ($items as $n => $item) {
            $drafts[$n] = $draft = $drafts[$n]->with(
                $item->slug,
                $drafts[$n]->publishAt,
                $drafts[$n]->text,
                $drafts[$n]->fields,
            );
            foreach ($item->term_ids as $term) {
                $terms[] = ['term_id' => $term, 'item_id' => $item->id];
            }
            array_push($links, ...$this->links($item, $type, $draft));
            $revisions[] = [$item, null, $draft->values()];
        }
        foreach (array_chunk($terms, self::ROWS) as $rows) {
            DB::table('item_term')->insert($rows);
        }
        foreach (array_chunk($links, self::ROWS) as $rows) {
            DB::table('item_links')->insert($rows);
        }
        $recorder->wrote($revisions);

        return $items;
    }

    /** The draft as it is stored: with all that is said of it, its texts made safe. */
    private function prepared(Type $type, ItemDraft $draft, string $slug, ?CarbonImmutable $publishAt): ItemDraft
    {
        return $draft->with(
            $slug,
            $draft->publishAt
                ?? ($draft->status->value === 'published' ? Iso8601::format($publishAt ?? now()) : null),
            $draft->text === null ? null : $this->html->safe($draft->text),
            $this->html->safeFields($type->fields, $draft->fields),
        );
    }

    private function fill(Item $item, Type $type, ItemDraft $draft): void
    {
        $item->fill([
            'title' => $draft->title,
            'status' => $draft->status->value,
            'publish_at' => $draft->publishAt,
            'expire_at' => $draft->expireAt,
            'audience' => $draft->audience->keys,
            'author_id' => $draft->author === null ? null : $this->references->personId($draft->author),
            'lead' => $draft->lead,
            'text' => $draft->text,
            'fields' => array_filter(
                $draft->fields,
                fn (string $key): bool => ! $type->fields[$key]->family()->isLink(),
                ARRAY_FILTER_USE_KEY,
            ),
            'words' => ItemTexts::words($type, $draft),
        ]);
        $item->updated_at = now()->toImmutable();
    }

    /**
     * In the transaction at hand, or in one of its own, tried again where the database ends it because of others'
     * locks. Within an import a savepoint for every item would hold a lock
     * for every item, and the database has room for some thousands.
     *
     * @template T
     *
     * @param  \Closure(): T  $work
     * @return T
     */
    private static function together(\Closure $work): mixed
    {
        return DB::transactionLevel() > 0 ? $work() : DB::transaction($work, self::ATTEMPTS);
    }

    private function replaceTerms(Item $item, ItemDraft $draft): void
    {
        $others = $item->terms()->whereNotIn('taxonomy_key', array_keys($draft->terms))->pluck('terms.id')->all();
        $item->terms()->sync([...$others, ...$this->wantedTerms($draft)]);
    }

    /** @return list<int> ids, in their own order */
    private function wantedTerms(ItemDraft $draft): array
    {
        $ids = array_merge(
            ...array_map($this->catalogue->termIds(...), array_keys($draft->terms), array_values($draft->terms)),
        );
        sort($ids);

        return $ids;
    }

    /** @return list<array<string, mixed>> rows of the links from the item */
    private function links(Item $item, Type $type, ItemDraft $draft): array
    {
        $rows = [];
        foreach ($type->fields as $key => $field) {
            foreach ($field->family()->isLink() ? (array) ($draft->fields[$key] ?? []) : [] as $position => $name) {
                $name = is_string($name) ? $name : '';
                $to = $field->family() === Family::Person
                    ? ['target_id' => null, 'person_id' => $this->references->personId($name)]
                    : ['target_id' => $this->references->targetId($name), 'person_id' => null];
                // What is still on its way with an import is linked to when it is there.
                if ($to !== ['target_id' => null, 'person_id' => null]) {
                    $rows[] = ['item_id' => $item->id, 'field' => $key, 'position' => $position] + $to;
                }
            }
        }

        return $rows;
    }

    private function replaceLinks(Item $item, Type $type, ItemDraft $draft): void
    {
        $now = $item->links()
            ->get(['item_id', 'field', 'position', 'target_id', 'person_id'])
            ->map(
                fn (ItemLink $link): array => $link->only(['item_id', 'field', 'position', 'target_id', 'person_id']),
            )
            ->all();
        $wanted = collect($this->links($item, $type, $draft))
            ->sortBy([['field', 'asc'], ['position', 'asc']])
            ->values()
            ->all();
        if ($now != $wanted) {
            ItemLink::query()->where('item_id', $item->id)->delete();
            DB::table('item_links')->insert($wanted);
        }
    }

    /** @return list<string> */
    private function groupKeys(): array
    {
        return array_map(strval(...), array_keys($this->catalogue->catalogue()->groups));
    }
}
