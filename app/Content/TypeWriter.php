<?php

declare(strict_types=1);

namespace App\Content;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Models\AuditAction;
use App\Models\Change;
use App\Models\ContentType;
use App\Models\Item;
use App\Models\Module;
use App\Models\Taxonomy as TaxonomyRow;
use App\Modules\DefinitionRenamer;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Conversion;
use Wellspring\Core\Content\Change\ConversionOutcome;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Message;

/**
 * Defines content types from their files; says beforehand what becomes of stored values, and keeps what leaves them.
 */
final readonly class TypeWriter
{
    public function __construct(
        private CatalogueStore $store,
        private ItemWriter $items,
        private DefinitionRenamer $renamer,
    ) {
    }

    /**
     * @param  mixed  $data  the decoded file
     * @param  array<string, string>  $renamed  new keys of fields by their old
     * @return list<TypeEffect>
     *
     * @throws Refused when the file is wrong, or a live module would lose its field
     */
    public function look(mixed $data, array $renamed = []): array
    {
        $type = $this->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);

        return $now === null ? [] : $this->effects($now, $type, $renamed);
    }

    /**
     * @param  mixed  $data  the decoded file
     * @param  array<string, string>  $renamed  new keys of fields by their old
     * @param  bool  $withLoss  whether it is done though values leave the items
     * @param  list<int>  $except  items that are left alone
     * @param  (\Closure(int): void)|null  $progress  told how many items are rewritten
     *
     * @throws Refused when the file is wrong, a live module would lose its field, or values would leave the items
     *   unasked
     */
    public function apply(
        mixed $data,
        array $renamed = [],
        bool $withLoss = false,
        array $except = [],
        ?\Closure $progress = null,
    ): AppliedType {
        $type = $this->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);
        if ($now === null) {
            DB::transaction(function () use ($type): void {
                $this->store($type);
                AuditTrail::record(AuditAction::TypeChanged, $type->plural, ['key' => $type->key, 'new' => true]);
            });

            return new AppliedType($type, null);
        }
        if (! $withLoss) {
            $this->refuseLoss($this->effects($now, $type, $renamed));
        }
        $change = RevisionRecorder::change('type', "Changed the type {$now->plural}", 'type changed', function (RevisionRecorder $recorder, Change $change) use ($now, $type, $renamed, $except, $progress): void {
            $change->data = [
                'type' => $type->key,
                'before' => TypeFile::write($now),
                'after' => TypeFile::write($type),
                'renamed' => (object) $renamed,
            ];
            $change->save();
            $this->renameInModules($type, $renamed);
            $this->store($type);
            $this->rewriteItems($now, $type, $renamed, $except, $recorder, $progress);
            AuditTrail::record(AuditAction::TypeChanged, $type->plural, ['key' => $type->key, 'change' => $change->id]);
        });

        return new AppliedType($type, $change);
    }

    /**
     * Makes of a change of a type what was before; items that were changed since keep what they have, in the old form.
     */
    public function undo(Change $change, RevisionRecorder $recorder): void
    {
        $now = $this->store->catalogue()->type(is_string($change->data['type'] ?? null) ? $change->data['type'] : '');
        if (
            $now === null
            || json_encode(TypeFile::write($now)) !== json_encode(
                TypeFile::write($this->readAgain($change->data['after'] ?? null)),
            )
        ) {
            throw Refused::because('', 'changedSince', 'The type was changed again since; take that back first.');
        }
        $renamed = array_flip(array_filter((array) ($change->data['renamed'] ?? []), is_string(...)));
        $same = DB::table('change_items')
            ->join('items', 'items.id', '=', 'change_items.item_id')
            ->where('change_id', $change->id)
            ->whereColumn('items.revision', 'change_items.after')
            ->pluck('items.id');
        $before = $this->readAgain($change->data['before'] ?? null);
        $this->renameInModules($now, $renamed);
        $this->store($before);
        $this->rewriteItems($now, $before, $renamed, array_values(array_map(intval(...), $same->all())), $recorder);
    }

    /**
     * How many items the change would rewrite, at most.
     *
     * @param  array<string, string>  $renamed
     *
     * @throws Refused
     */
    public function size(mixed $data, array $renamed): int
    {
        $type = $this->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);

        return $now === null ? 0 : $this->touched($now, $type, $renamed)->count();
    }

    /** @throws Refused when it still has items, or a module draws from it */
    public function remove(string $key): void
    {
        $problems = new Problems;
        $count = Item::query()->where('type_key', $key)->count();
        if ($count > 0) {
            $problems->add(
                '',
                'inUse',
                Message::of(
                    '{n, plural, one {# item is of this type. Remove it first.} other {# items are of this type. Remove them first.}}',
                    ['n' => $count],
                ),
            );
        }
        foreach (Module::query()->get() as $module) {
            if (
                in_array($key, self::drawn($module->draft), true)
                || in_array($key, self::drawn($module->live ?? []), true)
            ) {
                $problems->add('', 'inUse', "the module “{$module->key}” draws from this type.");
            }
        }
        foreach ($this->store->catalogue()->types as $other) {
            foreach ($other->fields as $field) {
                if ($other->key !== $key && in_array($key, $field->types, true)) {
                    $problems->add('', 'inUse', "the field {$field->label} of {$other->plural} names this type.");
                }
            }
        }
        $problems->refuseIfAny();
        AuditTrail::record(AuditAction::TypeRemoved, $this->store->catalogue()->type($key)->plural ?? $key, ['key' => $key]);
        ContentType::query()->where('key', $key)->delete();
        $this->store->forget();
    }

    /** @param  array<string, string>  $renamed */
    private function read(mixed $data, array $renamed): Type
    {
        $catalogue = $this->store->catalogue();
        $type = TypeFile::read($data, $catalogue->taxonomies);
        $now = $catalogue->type($type->key);
        $problems = new Problems;
        foreach ($renamed as $old => $new) {
            if (
                ! isset($now->fields[$old], $type->fields[$new])
                || isset($type->fields[$old])
                && ! in_array($old, $renamed, true)
            ) {
                $problems->add(
                    "renamed.{$old}",
                    'wrongValue',
                    'expected the key that a field had, and the key that it has now.',
                );
            }
        }
        foreach ($catalogue->types as $other) {
            if ($other->key !== $type->key && $other->address === $type->address) {
                $problems->add(
                    'x-wellspring.address',
                    'taken',
                    "“{$type->address}” is the address of {$other->plural}; expected another.",
                );
            }
        }
        foreach ($type->fields as $field) {
            foreach (array_diff($field->types, array_keys($catalogue->types), [$type->key]) as $unknown) {
                $problems->add(
                    "properties.{$field->key}.x-wellspring.types",
                    'unknownType',
                    "there is no content type “{$unknown}”.",
                );
            }
        }
        $problems->refuseIfAny();
        $renaming = Renaming::ofFields($type->key, $renamed, $catalogue);
        $reader = new ModuleReader(
            new Catalogue([$type->key => $type] + $catalogue->types, $catalogue->taxonomies + $type->taxonomies),
        );
        foreach (Module::query()->whereNotNull('live')->get() as $module) {
            try {
                $reader->read(DefinitionRenamer::renamed($module->live ?? [], $renaming, $catalogue));
            } catch (Refused $refused) {
                $problems->add(
                    '',
                    'inUse',
                    "the live module “{$module->key}” could no longer be read: {$refused->problems[0]}",
                );
            }
        }
        $problems->refuseIfAny();

        return $type;
    }

    /**
     * Call before the type is stored: definitions are read as the site was.
     *
     * @param  array<string, string>  $renamed
     */
    private function renameInModules(Type $type, array $renamed): void
    {
        if ($renamed !== []) {
            $catalogue = $this->store->catalogue();
            $this->renamer->rename(Renaming::ofFields($type->key, $renamed, $catalogue), $catalogue);
        }
    }

    private function readAgain(mixed $definition): Type
    {
        return TypeFile::read($definition, $this->store->catalogue()->taxonomies, stored: true);
    }

    private function store(Type $type): Type
    {
        foreach ($type->taxonomies as $taxonomy) {
            TaxonomyRow::query()->firstOrCreate(
                ['key' => $taxonomy->key],
                ['label' => $taxonomy->label, 'tree' => $taxonomy->tree],
            );
        }
        $row = ContentType::query()->find($type->key)
            ?? new ContentType(['key' => $type->key, 'position' => ContentType::query()->count()]);
        $row->fill(['definition' => TypeFile::write($type)])->save();
        $this->store->forget();

        return $type;
    }

    /** @param  list<TypeEffect>  $effects */
    private function refuseLoss(array $effects): void
    {
        $problems = new Problems;
        foreach ($effects as $effect) {
            if ($effect->loses) {
                $problems->add($effect->field === '' ? '' : "properties.{$effect->field}", 'inUse', $effect->message);
            }
        }
        $problems->refuseIfAny();
    }

    /**
     * @param  array<string, string>  $renamed
     * @return list<TypeEffect>
     */
    private function effects(Type $now, Type $type, array $renamed): array
    {
        $effects = [];
        if ($now->address !== $type->address) {
            $count = Item::query()->where('type_key', $type->key)->count();
            $effects[] = new TypeEffect(
                '',
                Message::of(
                    '{n, plural, one {# item moves} other {# items move}} from {from} to {to}; links to the old {n, plural, one {address leads} other {addresses lead}} nowhere.',
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
            $count = array_sum($found);
            $values = fn (string $words, int $n): string => Message::of(
                $words,
                ['n' => $n, 'old' => $old->label, 'new' => $new->label ?? '', 'key' => $new->key ?? ''],
            );
            if ($new === null) {
                $effects[] = new TypeEffect(
                    $key,
                    $values(
                        '{n, plural, =0 {{old} goes; no item has a value of it.} one {{old} goes, and with it the value of # item.} other {{old} goes, and with it the values of # items.}}',
                        $count,
                    ),
                    $count,
                    $count > 0,
                );

                continue;
            }
            if ($new->key !== $key) {
                $effects[] = new TypeEffect(
                    $new->key,
                    $values(
                        '{old} gets the key {key}; {n, plural, one {the value of # item} other {the values of # items}} and the modules that name it follow.',
                        $count,
                    ),
                    $count,
                );
            }
            foreach ([
                [
                    ConversionOutcome::Converted,
                    '{n, plural, one {the value of # item is} other {the values of # items are}} written in the new form',
                    false,
                ],
                [
                    ConversionOutcome::Lost,
                    '{n, plural, one {the value of # item cannot be held any more and goes} other {the values of # items cannot be held any more and go}}',
                    true,
                ],
                [
                    ConversionOutcome::Unfit,
                    '{n, plural, one {the value of # item no longer fits; it stays as it is until the item is saved next} other {the values of # items no longer fit; each stays as it is until its item is saved next}}',
                    false,
                ],
            ] as [$outcome, $words, $loses]) {
                if (($n = $found[$outcome->name] ?? 0) > 0) {
                    $effects[] = new TypeEffect($new->key, $values("{new}: {$words}.", $n), $n, $loses);
                }
            }
            if ($new->required && ! $old->required) {
                $without = Item::query()
                    ->where('type_key', $type->key)
                    ->count() - $count + ($found[ConversionOutcome::Lost->name] ?? 0);
                if ($without > 0) {
                    $effects[] = new TypeEffect(
                        $new->key,
                        $values(
                            '{n, plural, one {# item has no {new}; it is asked for when the item is saved next} other {# items have no {new}; it is asked for when they are saved next}}.',
                            $without,
                        ),
                        $without,
                    );
                }
            }
        }
        foreach (array_diff_key($now->taxonomies, $type->taxonomies) as $taxonomy) {
            $count = $this->ofTaxonomy($type, $taxonomy)->count();
            $effects[] = new TypeEffect(
                '',
                Message::of(
                    '{label} no longer belongs to this type{n, plural, =0 {; no item has a term of it} one {, and # item loses its terms of it} other {, and # items lose their terms of it}}.',
                    ['n' => $count, 'label' => $taxonomy->label],
                ),
                $count,
                $count > 0,
            );
        }

        return $effects;
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
                    $outcome = $new === null ? ConversionOutcome::Lost : Conversion::of($old, $new, $record[$key])->outcome;
                    $outcomes[$key][$outcome->name] = ($outcomes[$key][$outcome->name] ?? 0) + 1;
                }
            }
        }

        return $outcomes;
    }

    /**
     * @param  array<string, string>  $renamed
     * @param  list<int>  $except
     * @param  (\Closure(int): void)|null  $progress
     */
    private function rewriteItems(
        Type $now,
        Type $type,
        array $renamed,
        array $except,
        RevisionRecorder $recorder,
        ?\Closure $progress = null,
    ): void {
        $reader = new ItemReader($type);
        $gone = array_diff_key($now->taxonomies, $type->taxonomies);
        $touched = $this->touched($now, $type, $renamed);
        $touched->getQuery()->whereIntegerNotInRaw('items.id', $except);
        $done = 0;
        foreach ($touched->lazyById(500) as $item) {
            $progress === null || $progress(++$done);
            $before = Records::values($item, $now);
            $after = array_diff_key($before, $now->fields);
            foreach ($now->fields as $key => $old) {
                $new = $type->fields[$renamed[$key] ?? $key] ?? null;
                if ($new !== null && ($before[$key] ?? null) !== null) {
                    $after[$new->key] = Conversion::of($old, $new, $before[$key])->value;
                }
            }
            $draft = $reader->asItStands($after);
            if (
                Differences::same($draft->values(), (new ItemReader($now))->asItStands($before)->values())
                && array_intersect_key($before, $gone) === []
            ) {
                continue;
            }
            RevisionRecorder::keep($item, $now);
            foreach ($gone as $taxonomy) {
                $item->terms()->detach($item->terms->where('taxonomy_key', $taxonomy->key)->modelKeys());
            }
            $this->items->update($item, $type, $draft, recorder: $recorder);
        }
    }

    /**
     * The items that hold a value of a field that is defined anew, or a term of a taxonomy that goes.
     *
     * @param  array<string, string>  $renamed
     * @return Builder<Item>
     */
    private function touched(Type $now, Type $type, array $renamed): Builder
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
                $query->whereRaw('jsonb_exists_any(items.fields, ?::text[])', ['{'.implode(',', $plain).'}']);
                if ($linked !== []) {
                    $query->orWhereHas('links', fn ($links) => $links->whereIn('field', $linked));
                }
                if ($gone !== []) {
                    $query->orWhereHas('terms', fn ($terms) => $terms->whereIn('taxonomy_key', $gone));
                }
            });
    }

    /** @return Builder<Item> */
    private function ofTaxonomy(Type $type, Taxonomy $taxonomy): Builder
    {
        return Item::query()
            ->where('type_key', $type->key)
            ->whereHas('terms', fn ($terms) => $terms->where('taxonomy_key', $taxonomy->key));
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return list<mixed> keys of the types whose items the module draws from
     */
    private static function drawn(array $definition): array
    {
        $source = $definition['source'] ?? null;

        return is_array($source)
            ? array_merge(
                ...array_map(
                    fn (string $key): array => array_values((array) ($source[$key] ?? [])),
                    ['items', 'months', 'years', 'type'],
                ),
            )
            : [];
    }
}
