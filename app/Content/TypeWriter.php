<?php

declare(strict_types=1);

namespace App\Content;

use App\Models\ContentType;
use App\Models\Item;
use App\Models\Module;
use App\Models\Taxonomy;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\TypeFile;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;

/** Defines content types from their files, without harm to what is stored or live. */
final readonly class TypeWriter
{
    public function __construct(private CatalogueStore $store)
    {
    }

    /**
     * @param  mixed  $data  the decoded file
     *
     * @throws Refused when the file is wrong, a stored value would lose its meaning, or a live module its field
     */
    public function apply(mixed $data): Type
    {
        $catalogue = $this->store->catalogue();
        $type = TypeFile::read($data, $catalogue->taxonomies);
        $this->refuseHarm($type, $catalogue);

        return DB::transaction(function () use ($type): Type {
            foreach ($type->taxonomies as $taxonomy) {
                Taxonomy::query()->firstOrCreate(['key' => $taxonomy->key], ['label' => $taxonomy->label, 'tree' => $taxonomy->tree]);
            }
            $row = ContentType::query()->find($type->key) ?? new ContentType(['key' => $type->key, 'position' => ContentType::query()->count()]);
            $row->fill(['definition' => TypeFile::write($type)])->save();
            $this->store->forget();

            return $type;
        });
    }

    private function refuseHarm(Type $type, Catalogue $catalogue): void
    {
        $problems = new Problems;
        foreach ($catalogue->types as $other) {
            if ($other->key !== $type->key && $other->address === $type->address) {
                $problems->add('x-wellspring.address', 'taken', "“{$type->address}” is the address of {$other->plural}; expected another.");
            }
        }
        $now = $catalogue->type($type->key);
        foreach ($now->fields ?? [] as $old) {
            $new = $type->fields[$old->key] ?? null;
            if ($new?->kind->key() === $old->kind->key()) {
                continue;
            }
            $holding = Item::query()->where('type_key', $type->key)->whereRaw('fields->>? is not null', [$old->key])->count();
            if ($holding > 0) {
                $problems->add(
                    "properties.{$old->key}",
                    'inUse',
                    $new === null
                        ? "{$holding} items hold a value of this field; it cannot be left out of the type while they do."
                        : "{$holding} items hold a value of the kind {$old->kind->key()}; it cannot become {$new->kind->key()} while they do.",
                );
            }
        }
        $problems->refuseIfAny();

        $reader = new ModuleReader(new Catalogue([$type->key => $type] + $catalogue->types, $catalogue->taxonomies + $type->taxonomies));
        foreach (Module::query()->whereNotNull('live')->get() as $module) {
            try {
                $reader->read($module->live);
            } catch (Refused $refused) {
                $problems->add('', 'inUse', "the live module “{$module->key}” could no longer be read: {$refused->problems[0]}");
            }
        }
        $problems->refuseIfAny();
    }
}
