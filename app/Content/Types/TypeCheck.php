<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;

/** Reads a type file against the site: other types, their addresses, and the definitions that use it. */
final readonly class TypeCheck
{
    public function __construct(private CatalogueStore $store, private StoredDefinitions $definitions)
    {
    }

    /**
     * @param  array<string, string>  $renamed  new keys of fields by old ones
     *
     * @throws Refused when the file is wrong, does not fit the site, or would make a live definition unreadable
     */
    public function read(mixed $data, array $renamed): Type
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
                    ProblemCode::WrongValue,
                    'expected the key that a field had, and the key that it has now.',
                );
            }
        }
        foreach ($catalogue->types as $other) {
            if ($other->key !== $type->key && $other->address === $type->address) {
                $problems->add(
                    'x-wellspring.address',
                    ProblemCode::Taken,
                    "“{$type->address}” is the address of {$other->plural}; expected another.",
                );
            }
        }
        foreach ($type->fields as $field) {
            foreach (array_diff($field->types, array_keys($catalogue->types), [$type->key]) as $unknown) {
                $problems->add(
                    "properties.{$field->key}.x-wellspring.types",
                    ProblemCode::UnknownType,
                    "there is no content type “{$unknown}”.",
                );
            }
        }
        $problems->refuseIfAny();
        $renaming = Renaming::ofFields($type->key, $renamed, $catalogue);
        $after = new Catalogue([$type->key => $type] + $catalogue->types, $catalogue->taxonomies + $type->taxonomies);
        $problems->merge($this->definitions->unreadable($renaming, $catalogue, $after));
        $problems->refuseIfAny();

        return $type;
    }
}
