<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Models\FreeName;
use App\Models\Item;
use App\Models\ItemLink;
use App\Models\Media;
use App\Models\User;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Text\Words;
use Wellspring\Core\Time\Iso8601;

/** The one way in which items are stored, from the form, from imports and from edits of many alike. */
final class ItemWriter
{
    /** How often a write is tried again that the database ended because of others' locks. */
    private const ATTEMPTS = 5;

    /** @var array<string, string> kinds of files that are known, by name; empty: there is none */
    private array $files = [];

    /** @var array<string, int|null> ids by e-mail */
    private array $people = [];

    /** @var array<string, true> `type/slug` of items that are on their way */
    private array $expected = [];

    /** @var array<string, int|null> ids by `type/slug`, while a file is read */
    private array $targets = [];

    public function __construct(private readonly CatalogueStore $catalogue, private readonly SafeHtml $html)
    {
    }

    /**
     * Faults that only the stored content can tell: a slug that is taken, a picture, an item or a person that is not
     * there.
     *
     * @throws \Wellspring\Core\Problem\Refused
     */
    public function check(Type $type, ItemDraft $draft, ?Item $item = null): void
    {
        $problems = new Problems;
        if ($draft->slug !== null) {
            $owner = Item::query()
                ->where('type_key', $type->key)
                ->where('slug', $draft->slug)
                ->first(['id', 'title', 'author_id']);
            if ($owner !== null && $owner->id !== $item?->id) {
                // The title of what is not theirs is not told to an author.
                $by = Actor::user() !== null && Gate::denies('edit', $owner) ? '' : " by “{$owner->title}”";
                $problems->add(
                    'slug',
                    ProblemCode::Taken,
                    "“{$draft->slug}” is taken{$by}; expected a slug that no other {$type->label} has.",
                );
            }
        }
        foreach (array_diff($draft->audience->groups(), $this->groupKeys()) as $unknown) {
            $problems->add('audience', ProblemCode::UnknownGroup, "there is no group “{$unknown}”.");
        }
        if ($draft->author !== null && $this->personId($draft->author) === null) {
            $problems->add(
                'author',
                ProblemCode::UnknownPerson,
                "expected the e-mail address of one of the site’s people, found “{$draft->author}”.",
            );
        }
        foreach ($type->fields as $field) {
            foreach ($this->missing($field, $draft->fields[$field->key] ?? null) as $name) {
                [$code, $what] = match ($field->family()) {
                    Family::Items => [
                        ProblemCode::UnknownItem,
                        'an item on this site as '.(count($field->types) === 1 ? 'its slug' : 'type/slug'),
                    ],
                    Family::Person => [ProblemCode::UnknownPerson, 'the e-mail address of one of the site’s people'],
                    Family::File => [ProblemCode::UnknownFile, 'the name of a file on this site'],
                    Family::Video => [ProblemCode::UnknownFile, 'the name of a video on this site'],
                    default => [ProblemCode::UnknownPicture, 'the name of a picture on this site'],
                };
                $problems->add($field->key, $code, "expected {$what}, found “{$name}”.");
            }
        }
        $problems->refuseIfAny();
    }

    /**
     * From now on items of these names are taken to be there: they come with the import.
     *
     * @param  array<string, true>  $names  `type/slug`
     */
    public function expectItems(array $names): void
    {
        $this->expected = $names;
    }

    /** From now on a file of this name is taken to be there: it comes with the import. */
    public function expectPicture(string $name): void
    {
        $this->files[$name] = 'picture';
    }

    /** The draft without what it names and the site no longer has. */
    public function known(Type $type, ItemDraft $draft): ItemDraft
    {
        $fields = $draft->fields;
        foreach ($type->fields as $field) {
            $missing = $this->missing($field, $fields[$field->key] ?? null);
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
     * @param  array<array-key, mixed>  $reserved  slugs, as keys, that one made from the title may not take
     * @param  int|null  $as  the id it had before it was removed
     * @param  int  $after  the number of its last revision then
     *
     * @throws Refused when another item takes the slug at the same moment
     */
    public function create(
        Type $type,
        ItemDraft $draft,
        array $reserved = [],
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
            fn (): Item => $this->write($item, $type, $draft, null, $recorder ?? RevisionRecorder::single(), $reserved),
        );
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

            return $this->write($item, $type, $draft, $before, $recorder ?? RevisionRecorder::single());
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

    /**
     * @param  int|null  $before  its revision before; null for a new one
     * @param  array<array-key, mixed>  $reserved
     */
    private function write(
        Item $item,
        Type $type,
        ItemDraft $draft,
        ?int $before,
        RevisionRecorder $recorder,
        array $reserved = [],
    ): Item {
        $draft = $draft->with(
            $draft->slug ?? ($before === null ? '' : $item->slug),
            $draft->publishAt
                ?? ($draft->status->value === 'published' ? Iso8601::format($item->publish_at ?? now()) : null),
            $draft->text === null ? null : $this->html->safe($draft->text),
            $this->html->safeFields($type->fields, $draft->fields),
        );
        $item->fill([
            'title' => $draft->title,
            'status' => $draft->status->value,
            'publish_at' => $draft->publishAt,
            'expire_at' => $draft->expireAt,
            'audience' => $draft->audience->keys,
            'author_id' => $draft->author === null ? null : $this->personId($draft->author),
            'lead' => $draft->lead,
            'text' => $draft->text,
            'fields' => array_filter(
                $draft->fields,
                fn (string $key): bool => ! $type->fields[$key]->family()->isLink(),
                ARRAY_FILTER_USE_KEY,
            ),
            'words' => self::words($type, $draft),
        ]);
        $item->updated_at = now()->toImmutable();
        $before === null
            ? $this->insert($item, $type, $draft, $reserved)
            : $item->fill(['slug' => $draft->slug, 'folded' => self::folded($type, $draft)])->save();
        $draft = $draft->with($item->slug, $draft->publishAt, $draft->text, $draft->fields);
        $this->writeTerms($item, $draft, $before === null);
        $this->writeLinks($item, $type, $draft, $before === null);
        $recorder->wrote($item, $before, $draft->values());

        return $item;
    }

    /**
     * @param  array<array-key, mixed>  $reserved
     *
     * @throws Refused
     */
    private function insert(Item $item, Type $type, ItemDraft $draft, array $reserved): void
    {
        $item->term_ids = $this->wantedTerms($draft);
        $item->folded = self::folded($type, $draft);
        if ($draft->slug === '') {
            $base = Slug::from($draft->title);
            $name = fn (int $n): string => $n === 1 ? $base : "{$base}-{$n}";
            FreeName::insert(
                $item,
                'slug',
                ['type_key'],
                $name,
                $reserved,
                fn (string $slug): array => $item->folded = ['slug' => $slug] + $item->folded,
            );
        } else {
            $item->slug = (string) $draft->slug;
            if (! FreeName::inserted($item, ['type_key', 'slug'])) {
                throw Refused::because(
                    'slug',
                    ProblemCode::Taken,
                    "“{$draft->slug}” was taken a moment ago; expected a slug that no other {$type->label} has.",
                );
            }
        }
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

    /** @return array<string, string> the texts in the form in which they are compared */
    public static function folded(Type $type, ItemDraft $draft): array
    {
        $folded = ['title' => Fold::of($draft->title), 'slug' => (string) $draft->slug];
        foreach (['text' => $draft->text] + array_intersect_key($draft->fields, $type->fields) as $key => $value) {
            $family = $type->field($key)?->family();
            if (is_string($value) && ($family === Family::Text || $family === Family::LongText)) {
                $text = $family === Family::LongText ? Html::visibleText($value) : $value;
                if ($text !== '') {
                    $folded[$key] = Fold::of($text);
                }
            }
        }

        return $folded;
    }

    /**
     * @return array<string, array<string, string>> the words of its texts, by how they stand and by field; those of
     *   its terms stand with the terms
     */
    public static function words(Type $type, ItemDraft $draft): array
    {
        $words = [];
        foreach (['title' => $draft->title, 'text' => $draft->text] + $draft->fields as $key => $value) {
            $field = $type->field($key);
            $standing = $field === null ? null : $field->searchWeight();
            if ($field !== null && $standing !== null && is_string($value)) {
                $found = Words::of($field->family() === Family::LongText ? Html::visibleText($value) : $value);
                $words[$standing][$key] = implode(' ', $found);
            }
        }

        return array_filter(
            array_map(fn (array $all): array => array_filter($all, fn (string $text): bool => $text !== ''), $words),
        );
    }

    private function writeTerms(Item $item, ItemDraft $draft, bool $new): void
    {
        $wanted = $this->wantedTerms($draft);
        if ($new) {
            DB::table('item_term')->insert(
                array_map(fn (int $term): array => ['term_id' => $term, 'item_id' => $item->id], $wanted),
            );

            return;
        }
        $others = $item->terms()->whereNotIn('taxonomy_key', array_keys($draft->terms))->pluck('terms.id')->all();
        $item->terms()->sync([...$others, ...$wanted]);
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

    private function writeLinks(Item $item, Type $type, ItemDraft $draft, bool $new): void
    {
        $rows = [];
        foreach ($type->fields as $key => $field) {
            foreach ($field->family()->isLink() ? (array) ($draft->fields[$key] ?? []) : [] as $position => $name) {
                $name = is_string($name) ? $name : '';
                $to = $field->family() === Family::Person
                    ? ['target_id' => null, 'person_id' => $this->personId($name)]
                    : ['target_id' => $this->targetId($name), 'person_id' => null];
                // What is still on its way with an import is linked to when it is there.
                if ($to !== ['target_id' => null, 'person_id' => null]) {
                    $rows[] = ['item_id' => $item->id, 'field' => $key, 'position' => $position] + $to;
                }
            }
        }
        if (! $new) {
            $now = $item->links()
                ->get(['item_id', 'field', 'position', 'target_id', 'person_id'])
                ->map(
                    fn (ItemLink $link): array => $link->only([
                        'item_id',
                        'field',
                        'position',
                        'target_id',
                        'person_id',
                    ]),
                )
                ->all();
            $wanted = collect($rows)->sortBy([['field', 'asc'], ['position', 'asc']])->values()->all();
            if ($now == $wanted) {
                return;
            }
            ItemLink::query()->where('item_id', $item->id)->delete();
        }
        DB::table('item_links')->insert($rows);
    }

    /** @return list<string> what the value names and the site does not have */
    private function missing(Field $field, mixed $value): array
    {
        $names = array_values(array_filter((array) $value, is_string(...)));
        $has = match ($field->family()) {
            Family::Picture, Family::Pictures => fn (string $name): bool => $this->kindOfFile($name) === 'picture',
            Family::File => fn (string $name): bool => $this->kindOfFile($name) !== '',
            Family::Video => fn (string $name): bool => str_contains(
                $name,
                '://',
            ) || $this->kindOfFile($name) === 'video',
            Family::Person => fn (string $email): bool => $this->personId($email) !== null,
            Family::Items => fn (string $name): bool => isset($this->expected[$name])
                || $this->targetId($name) !== null,
            default => null,
        };

        return $has === null ? [] : array_values(array_filter($names, fn (string $name): bool => ! $has($name)));
    }

    private function kindOfFile(string $name): string
    {
        return $this->files[$name] ??= (string) Media::query()->where('name', $name)->value('kind');
    }

    /** @return list<string> */
    private function groupKeys(): array
    {
        return array_map(strval(...), array_keys($this->catalogue->catalogue()->groups));
    }

    private function personId(string $email): ?int
    {
        if (! array_key_exists($email, $this->people)) {
            $this->people[$email] = User::query()->where('email', $email)->first(['id'])?->id;
        }

        return $this->people[$email];
    }

    private function targetId(string $name): ?int
    {
        if (! isset($this->targets[$name])) {
            [$type, $slug] = explode('/', $name, 2) + ['', ''];
            $this->targets[$name] = Item::query()->where('type_key', $type)->where('slug', $slug)->first(['id'])?->id;
        }

        return $this->targets[$name];
    }
}
