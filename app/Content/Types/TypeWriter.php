<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use App\Catalogue\ValueColumns;
use App\Content\ItemConversion;
use App\Content\StaleWrite;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\Models\Change;
use App\Models\ContentType;
use App\Models\Item;
use App\Models\Taxonomy as TaxonomyRow;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Message;

/**
 * Stores content types from their files, reports the effects first, and keeps the values that items lose.
 */
final readonly class TypeWriter
{
    public function __construct(
        private CatalogueStore $store,
        private TypeCheck $check,
        private TypeEffects $effects,
        private ItemConversion $conversion,
        private StoredDefinitions $definitions,
        private ValueColumns $columns,
    ) {
    }

    /**
     * @param  mixed  $data  the decoded file
     * @param  array<string, string>  $renamed  new keys of fields by old ones
     * @return list<TypeEffect>
     *
     * @throws Refused when the file is wrong, or a live module would lose its field
     */
    public function look(mixed $data, array $renamed = []): array
    {
        $type = $this->check->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);

        return $now === null ? [] : $this->effects->between($now, $type, $renamed);
    }

    /**
     * @param  mixed  $data  the decoded file
     * @param  array<string, string>  $renamed  new keys of fields by old ones
     * @param  bool  $withLoss  true to continue although items lose values
     * @param  list<int>  $except  ids to skip
     * @param  (\Closure(int): void)|null  $progress  receives the number of converted items
     * @param  int|null  $revision  the revision that the change started from, 0 for a new type; null to write in any
     *   case
     *
     * @throws StaleWrite
     * @throws Refused if the file is invalid, a live module would lose its field, or items would lose values without
     *   permission
     */
    public function apply(
        mixed $data,
        array $renamed = [],
        bool $withLoss = false,
        array $except = [],
        ?\Closure $progress = null,
        ?int $revision = null,
    ): AppliedType {
        $type = $this->check->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);
        $read = $now === null ? 0 : (int) $this->store->revisionOf($now);
        StaleWrite::unless($read, $revision);
        if ($now === null) {
            DB::transaction(function () use ($type): void {
                $this->store($type);
                $this->columns->assign($type);
                AuditTrail::record(AuditAction::TypeChanged, $type->plural, ['key' => $type->key, 'new' => true]);
            });

            return new AppliedType($type, null);
        }
        if (! $withLoss) {
            $this->refuseLoss($this->effects->between($now, $type, $renamed));
        }
        $change = RevisionRecorder::change('type', "Changed the type {$now->plural}",
            'type changed',
            function (
                RevisionRecorder $recorder,
                Change $change,
            ) use ($now, $type, $renamed, $except, $progress, $read): void {
                // Items in creation share this lock, so the conversion below finds them.
                $stored = DB::scalar('select revision from types where key = ? for no key update', [$type->key]);
                StaleWrite::unless(is_numeric($stored) ? (int) $stored : 0, $read);
                $change->data = [
                    'type' => $type->key,
                    'before' => TypeFile::write($now),
                    'after' => TypeFile::write($type),
                    'renamed' => (object) $renamed,
                ];
                $change->save();
                $this->renameInDefinitions($type, $renamed);
                $this->store($type);
                $this->conversion->rewrite($now, $type, $renamed, $except, $recorder, $progress);
                $this->columns->assign($type);
                AuditTrail::record(
                    AuditAction::TypeChanged,
                    $type->plural,
                    ['key' => $type->key, 'change' => $change->id],
                );
            });

        return new AppliedType($type, $change);
    }

    /**
     * Undoes a change of a type. Items that were changed since keep their values, in the old form.
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
            throw Refused::because(
                '',
                ProblemCode::ChangedSince,
                'The type was changed again since; take that back first.',
            );
        }
        $renamed = array_flip(array_filter((array) ($change->data['renamed'] ?? []), is_string(...)));
        $same = DB::table('change_items')
            ->join('items', 'items.id', '=', 'change_items.item_id')
            ->where('change_id', $change->id)
            ->whereColumn('items.revision', 'change_items.after')
            ->pluck('items.id');
        $before = $this->readAgain($change->data['before'] ?? null);
        $this->renameInDefinitions($now, $renamed);
        $this->store($before);
        $this->conversion->rewrite(
            $now,
            $before,
            $renamed,
            array_values(array_map(intval(...), $same->all())),
            $recorder,
        );
        $this->columns->assign($before);
    }

    /**
     * Maximum number of items that the change would convert.
     *
     * @param  array<string, string>  $renamed
     *
     * @throws Refused
     */
    public function size(mixed $data, array $renamed): int
    {
        $type = $this->check->read($data, $renamed);
        $now = $this->store->catalogue()->type($type->key);

        return $now === null ? 0 : $this->effects->touched($now, $type, $renamed)->count();
    }

    /** @throws Refused when it still has items, or a module draws from it */
    public function remove(string $key): void
    {
        $problems = new Problems;
        $count = Item::query()->where('type_key', $key)->count();
        if ($count > 0) {
            $problems->add(
                '',
                ProblemCode::InUse,
                Message::of(
                    '{n, plural, one {# item is of this type. Remove it first.} other {# items are of this type. '
                        .'Remove them first.}}',
                    ['n' => $count],
                ),
            );
        }
        $problems->merge($this->definitions->drawingFromType($key));
        foreach ($this->store->catalogue()->types as $other) {
            foreach ($other->fields as $field) {
                if ($other->key !== $key && in_array($key, $field->types, true)) {
                    $problems->add(
                        '',
                        ProblemCode::InUse,
                        "the field {$field->label} of {$other->plural} names this type.",
                    );
                }
            }
        }
        $problems->refuseIfAny();
        AuditTrail::record(
            AuditAction::TypeRemoved,
            $this->store->catalogue()->type($key)->plural ?? $key,
            ['key' => $key],
        );
        ContentType::query()->where('key', $key)->delete();
        $this->store->forget();
    }

    /**
     * Call this before the type is stored, because definitions are read against the old type.
     *
     * @param  array<string, string>  $renamed
     */
    private function renameInDefinitions(Type $type, array $renamed): void
    {
        if ($renamed !== []) {
            $catalogue = $this->store->catalogue();
            $this->definitions->rename(Renaming::ofFields($type->key, $renamed, $catalogue), $catalogue);
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
            ?? new ContentType(['key' => $type->key, 'position' => ContentType::query()->count(), 'revision' => 0]);
        $row->fill(['definition' => TypeFile::write($type), 'revision' => $row->revision + 1])->save();
        $this->store->forget();

        return $type;
    }

    /** @param  list<TypeEffect>  $effects */
    private function refuseLoss(array $effects): void
    {
        $problems = new Problems;
        foreach ($effects as $effect) {
            if ($effect->loses) {
                $problems->add(
                    $effect->field === '' ? '' : "properties.{$effect->field}",
                    ProblemCode::InUse,
                    $effect->message,
                );
            }
        }
        $problems->refuseIfAny();
    }
}
