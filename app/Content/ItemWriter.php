<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\Item;
use App\Models\Media;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HtmlSanitizer\HtmlSanitizer;
use Symfony\Component\HtmlSanitizer\HtmlSanitizerConfig;
use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Slug;

/** The one way in which items are stored, from the form and from imports alike. */
final class ItemWriter
{
    private HtmlSanitizer $sanitizer;

    /** @var array<string, bool> names of pictures that are known to exist, or not */
    private array $pictures = [];

    public function __construct(private readonly CatalogueStore $catalogue)
    {
        $this->sanitizer = new HtmlSanitizer((new HtmlSanitizerConfig)
            ->allowSafeElements()
            ->allowRelativeLinks()
            ->allowRelativeMedias()
            ->withMaxInputLength(1_000_000));
    }

    /**
     * Faults that only the stored content can tell: a slug that is taken, a picture that is not there.
     *
     * @throws \Wellspring\Core\Problem\Refused
     */
    public function check(Type $type, ItemDraft $draft, ?Item $item = null): void
    {
        $problems = new Problems;
        if ($draft->slug !== null) {
            $owner = Item::query()->where('type_key', $type->key)->where('slug', $draft->slug)->first(['id', 'title']);
            if ($owner !== null && $owner->id !== $item?->id) {
                $problems->add('slug', 'taken', "“{$draft->slug}” is taken by “{$owner->title}”; expected a slug that no other {$type->label} has.");
            }
        }
        foreach ($type->fields as $field) {
            $name = $draft->fields[$field->key] ?? null;
            if ($field->family() === Family::Picture && is_string($name) && ! $this->hasPicture($name)) {
                $problems->add($field->key, 'unknownPicture', "expected the name of a picture on this site, found “{$name}”.");
            }
        }
        $problems->refuseIfAny();
    }

    /** @param  array<string, mixed>  $reserved  slugs, as keys, that one made from the title may not take */
    public function create(Type $type, ItemDraft $draft, array $reserved = []): Item
    {
        $item = new Item(['type_key' => $type->key]);
        $item->revision = 1;

        return $this->write($item, $type, $draft, $draft->slug ?? $this->freeSlug($type, $draft->title, $reserved));
    }

    /**
     * @param  int|null  $revision  the revision that the change started from; null to write in any case
     *
     * @throws StaleWrite
     */
    public function update(Item $item, Type $type, ItemDraft $draft, ?int $revision = null): Item
    {
        return DB::transaction(function () use ($item, $type, $draft, $revision): Item {
            $item = Item::query()->lockForUpdate()->findOrFail($item->id);
            if ($revision !== null && $item->revision !== $revision) {
                throw new StaleWrite($item->revision);
            }
            $item->revision++;

            return $this->write($item, $type, $draft, $draft->slug ?? $item->slug);
        });
    }

    private function write(Item $item, Type $type, ItemDraft $draft, string $slug): Item
    {
        return DB::transaction(function () use ($item, $type, $draft, $slug): Item {
            $fields = $draft->fields;
            $folded = ['title' => Fold::of($draft->title), 'slug' => $slug];
            foreach ($type->fields as $field) {
                $value = $fields[$field->key] ?? null;
                if (! is_string($value)) {
                    continue;
                }
                if ($field->family() === Family::LongText) {
                    $value = $fields[$field->key] = $this->safe($value);
                    if ($value === null) {
                        unset($fields[$field->key]);
                    } elseif (Html::visibleText($value) !== '') {
                        $folded[$field->key] = Fold::of(Html::visibleText($value));
                    }
                } elseif ($field->family() === Family::Text) {
                    $folded[$field->key] = Fold::of($value);
                }
            }
            $text = $draft->text === null ? null : $this->safe($draft->text);
            if ($text !== null && Html::visibleText($text) !== '') {
                $folded['text'] = Fold::of(Html::visibleText($text));
            }
            $item->fill([
                'slug' => $slug,
                'title' => $draft->title,
                'status' => $draft->status->value,
                'publish_at' => $draft->publishAt ?? ($draft->status->value === 'published' ? $item->publish_at ?? now() : null),
                'expire_at' => $draft->expireAt,
                'audience' => $draft->audience->value,
                'lead' => $draft->lead,
                'text' => $text,
                'fields' => $fields,
                'folded' => $folded,
            ]);
            $item->save();
            foreach ($draft->terms as $taxonomy => $slugs) {
                $keep = $item->terms()->where('taxonomy_key', '<>', $taxonomy)->pluck('terms.id')->all();
                $item->terms()->sync([...$keep, ...$this->catalogue->termIds($taxonomy, $slugs)]);
            }

            return $item;
        });
    }

    /**
     * A slug from the title that no item of the type has.
     *
     * @param  array<string, mixed>  $reserved
     */
    private function freeSlug(Type $type, string $title, array $reserved): string
    {
        $base = Slug::from($title);
        $ofType = fn () => Item::query()->where('type_key', $type->key);
        if (! isset($reserved[$base]) && ! $ofType()->where('slug', $base)->exists()) {
            return $base;
        }
        $taken = $ofType()->where('slug', 'like', $base.'-%')->pluck('slug')->flip();
        for ($slug = $base.'-2', $n = 3; $taken->has($slug) || isset($reserved[$slug]); $n++) {
            $slug = $base.'-'.$n;
        }

        return $slug;
    }

    private function safe(string $html): ?string
    {
        $safe = trim($this->sanitizer->sanitize($html));

        return Blank::isHtml($safe) ? null : $safe;
    }

    private function hasPicture(string $name): bool
    {
        return $this->pictures[$name] ??= Media::query()->where('name', $name)->exists();
    }
}
