<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Catalogue\Records;
use App\Database\PostgresArray;
use App\Models\Item;
use Illuminate\Database\Eloquent\Builder;
use Wellspring\Core\Content\Change\Conversion;
use Wellspring\Core\Content\Change\ConversionOutcome;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Wording\Message;

/** Computes the effects of a type's change on stored items before it happens. */
final readonly class TypeEffects
{
    /**
     * @param  array<string, string>  $renamed
     * @return list<TypeEffect>
     */
    public function between(Type $now, Type $type, array $renamed): array
    {
        $effects = [];
        if ($now->address !== $type->address) {
            $count = Item::query()->where('type_key', $type->key)->count();
            $effects[] = new TypeEffect(
                '',
                Message::of(
                    '{n, plural, one {# item moves} other {# items move}} from {from} to {to}; links to the old {n, '
                        .'plural, one {address leads} other {addresses lead}} nowhere.',
                    ['n' => $count, 'from' => $now->address, 'to' => $type->address],
                ),
                $count,
            );
        }
        foreach (array_diff_key($type->fields, $now->fields, array_flip($renamed)) as $new) {
            $effects[] = new TypeEffect($new->key, "{$new->label} is added; every item begins without a value.");
        }
        $outcomes = $this->outcomes($now, $type, $renamed);
        foreach ($now->fields as $key => $old) {
            $new = $type->fields[$renamed[$key] ?? $key] ?? null;
            $found = $outcomes[$key] ?? [];
            array_push($effects, ...$new === null
                ? [self::removed($old, array_sum($found))]
                : [
                    ...self::rekeyed($old, $new, array_sum($found)),
                    ...self::converted($new, $found),
                    ...self::asked($type, $old, $new, $found),
                ]);
        }
        foreach (array_diff_key($now->taxonomies, $type->taxonomies) as $taxonomy) {
            $effects[] = $this->untagged($type, $taxonomy);
        }

        return $effects;
    }

    private static function removed(Field $old, int $count): TypeEffect
    {
        return new TypeEffect(
            $old->key,
            Message::of(
                '{n, plural, =0 {{old} goes; no item has a value of it.} one {{old} goes, and with it the value of # '
                    .'item.} other {{old} goes, and with it the values of # items.}}',
                ['n' => $count, 'old' => $old->label],
            ),
            $count,
            $count > 0,
        );
    }

    /** @return list<TypeEffect> */
    private static function rekeyed(Field $old, Field $new, int $count): array
    {
        return $new->key === $old->key ? [] : [new TypeEffect(
            $new->key,
            Message::of(
                '{old} gets the key {key}; {n, plural, one {the value of # item} other {the values of # items}} and '
                    .'the modules and pages that name it follow.',
                ['n' => $count, 'old' => $old->label, 'key' => $new->key],
            ),
            $count,
        )];
    }

    /**
     * @param  array<string, int>  $found  the number of items by outcome
     * @return list<TypeEffect>
     */
    private static function converted(Field $new, array $found): array
    {
        $effects = [];
        foreach ([
            [
                ConversionOutcome::Converted,
                '{n, plural, one {the value of # item is} other {the values of # items are}} written in the new form',
            ],
            [
                ConversionOutcome::Lost,
                '{n, plural, one {the value of # item cannot be held any more and goes} other {the values of # items '
                    .'cannot be held any more and go}}',
            ],
            [
                ConversionOutcome::Unfit,
                '{n, plural, one {the value of # item no longer fits; it stays as it is until the item is saved next} '
                    .'other {the values of # items no longer fit; each stays as it is until its item is saved next}}',
            ],
        ] as [$outcome, $words]) {
            $n = $found[$outcome->name] ?? 0;
            if ($n > 0) {
                $words = Message::of("{new}: {$words}.", ['n' => $n, 'new' => $new->label]);
                $effects[] = new TypeEffect($new->key, $words, $n, $outcome === ConversionOutcome::Lost);
            }
        }

        return $effects;
    }

    /**
     * Items without a value of a field that becomes required.
     *
     * @param  array<string, int>  $found  the number of items by outcome
     * @return list<TypeEffect>
     */
    private static function asked(Type $type, Field $old, Field $new, array $found): array
    {
        if (! $new->required || $old->required) {
            return [];
        }
        $without = Item::query()->where('type_key', $type->key)->count()
            - array_sum($found) + ($found[ConversionOutcome::Lost->name] ?? 0);

        return $without <= 0 ? [] : [new TypeEffect(
            $new->key,
            Message::of(
                '{n, plural, one {# item has no {new}; it is asked for when the item is saved next} other {# items '
                    .'have no {new}; it is asked for when they are saved next}}.',
                ['n' => $without, 'new' => $new->label],
            ),
            $without,
        )];
    }

    private function untagged(Type $type, Taxonomy $taxonomy): TypeEffect
    {
        $count = $this->ofTaxonomy($type, $taxonomy)->count();

        return new TypeEffect(
            '',
            Message::of(
                '{label} no longer belongs to this type{n, plural, =0 {; no item has a term of it} one {, and # item '
                    .'loses its terms of it} other {, and # items lose their terms of it}}.',
                ['n' => $count, 'label' => $taxonomy->label],
            ),
            $count,
            $count > 0,
        );
    }

    /**
     * The items with a value of a changed field, or with a term of a removed taxonomy.
     *
     * @param  array<string, string>  $renamed
     * @return Builder<Item>
     */
    public function touched(Type $now, Type $type, array $renamed): Builder
    {
        $required = fn (Field $field): bool => $field->required;
        $fields = array_filter($now->fields, function (Field $old) use ($type, $renamed, $required): bool {
            $new = $type->fields[$renamed[$old->key] ?? $old->key] ?? null;

            return $new === null || $new->key !== $old->key || $required($new) !== $required($old)
                || $new->kind->key() !== $old->kind->key()
                    || $new->kind->schema($new) !== $old->kind->schema($old)
                    || $new->limits != $old->limits
                    || $new->types !== $old->types;
        });
        $linked = array_keys(array_filter($fields, fn (Field $field): bool => $field->family()->isLink()));
        $plain = array_values(array_diff(array_keys($fields), $linked));
        $gone = array_keys(array_diff_key($now->taxonomies, $type->taxonomies));

        return Item::query()
            ->with(Item::whole())
            ->where('type_key', $now->key)
            ->where(function (Builder $query) use ($plain, $linked, $gone): void {
                $query->whereRaw('jsonb_exists_any(items.fields, ?::text[])', [PostgresArray::literal($plain)]);
                if ($linked !== []) {
                    $query->orWhereHas('links', fn ($links) => $links->whereIn('field', $linked));
                }
                if ($gone !== []) {
                    $query->orWhereHas('terms', fn ($terms) => $terms->whereIn('taxonomy_key', $gone));
                }
            });
    }

    /**
     * @param  array<string, string>  $renamed
     * @return array<string, array<string, int>> how often each outcome comes, by the old key of the field
     */
    private function outcomes(Type $now, Type $type, array $renamed): array
    {
        $outcomes = [];
        foreach ($this->touched($now, $type, $renamed)->lazyById(500) as $item) {
            $record = Records::values($item, $now);
            foreach ($now->fields as $key => $old) {
                if (($record[$key] ?? null) !== null) {
                    $new = $type->fields[$renamed[$key] ?? $key] ?? null;
                    $outcome = $new === null
                        ? ConversionOutcome::Lost
                        : Conversion::of($old, $new, $record[$key])->outcome;
                    $outcomes[$key][$outcome->name] = ($outcomes[$key][$outcome->name] ?? 0) + 1;
                }
            }
        }

        return $outcomes;
    }

    /** @return Builder<Item> */
    private function ofTaxonomy(Type $type, Taxonomy $taxonomy): Builder
    {
        return Item::query()
            ->where('type_key', $type->key)
            ->whereHas('terms', fn ($terms) => $terms->where('taxonomy_key', $taxonomy->key));
    }
}
