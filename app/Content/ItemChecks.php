<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\Actor;
use App\Catalogue\CatalogueStore;
use App\Content\Html\SafeHtml;
use App\Models\Item;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\Gate;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;

/**
 * Checks a draft against the site's slugs, groups, people, files and other items, and finds texts that are too complex.
 */
final readonly class ItemChecks
{
    public function __construct(
        private CatalogueStore $catalogue,
        public ItemReferences $references,
        private SafeHtml $html,
    ) {
    }

    /**
     * Problems that only the database can find: a taken slug, or a missing picture, item or person.
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
     * The same for many drafts, with a few queries.
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

    /** @param  Item|null  $owner  the item with the draft's slug */
    private function problems(Type $type, ItemDraft $draft, ?Item $item, ?Item $owner): Problems
    {
        $problems = new Problems;
        if ($owner !== null && $owner->id !== $item?->id) {
            // Authors do not see the titles of other people's items.
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
        $this->html->checkFields($type->fields, ['text' => $draft->text] + $draft->fields, $problems);

        return $problems;
    }

    /** The draft without references to things that do not exist. */
    public function withoutMissing(Type $type, ItemDraft $draft): ItemDraft
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

    /** @return list<string> */
    private function groupKeys(): array
    {
        return array_map(strval(...), array_keys($this->catalogue->catalogue()->groups));
    }
}
