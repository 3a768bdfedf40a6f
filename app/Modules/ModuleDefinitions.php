<?php

declare(strict_types=1);

namespace App\Modules;

use App\Catalogue\RenamedRows;
use App\Catalogue\StoredDefinitions;
use App\Catalogue\UseOfField;
use App\Models\Module as ModuleRow;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** The definitions of modules, for code that changes types and terms. */
final readonly class ModuleDefinitions implements StoredDefinitions
{
    /** The keys of a source that contain content types. */
    private const TYPE_KEYS = ['items', 'months', 'years', 'counting', 'type'];

    /** The keys of a source that contain a taxonomy. */
    private const TAXONOMY_KEYS = ['terms', 'of'];

    public function rename(Renaming $renaming, Catalogue $before): array
    {
        return RenamedRows::replace(
            ModuleRow::query()->orderBy('id')->lockForUpdate()->get(),
            fn (ModuleRow $row, array $definition): array => self::renamed($definition, $renaming, $before),
            fn (ModuleRow $row): array => ['key' => $row->key],
        );
    }

    public function restore(array $replaced): void
    {
        foreach ($replaced as $was) {
            if (isset($was['key'])) {
                RenamedRows::putBack(ModuleRow::query()->where('key', $was['key'])->first(), $was);
            }
        }
    }

    public function unreadable(Renaming $renaming, Catalogue $before, Catalogue $after): array
    {
        $reader = new ModuleReader($after);
        $problems = [];
        foreach (ModuleRow::query()->whereNotNull('live')->get() as $row) {
            try {
                $reader->read(self::renamed($row->live ?? [], $renaming, $before));
            } catch (Refused $refused) {
                if (! self::isReadable($row->live ?? [], $before)) {
                    // The definition is already invalid for another reason.
                    continue;
                }
                $name = $row->live['name'] ?? null;
                $problems[] = UseOfField::problem(
                    'The module',
                    is_string($name) ? $name : $row->key,
                    "/modules/{$row->key}",
                    $refused,
                    (new ModuleReader($before))->salvage($row->live ?? [])->module->references(),
                );
            }
        }

        return $problems;
    }

    /** @param  array<string, mixed>  $definition */
    private static function isReadable(array $definition, Catalogue $catalogue): bool
    {
        try {
            (new ModuleReader($catalogue))->read($definition);

            return true;
        } catch (Refused) {
            return false;
        }
    }

    public function drawingFromType(string $type): array
    {
        return $this->naming(self::TYPE_KEYS, $type, 'draws from this type.');
    }

    public function aboutBranch(string $taxonomy, string $term): array
    {
        $problems = [];
        foreach (ModuleRow::query()->whereNull('removed_at')->whereNotNull('live')->orderBy('key')->get() as $row) {
            $source = $row->live['source'] ?? [];
            if (is_array($source) && ($source['terms'] ?? null) === $taxonomy && ($source['under'] ?? null) === $term) {
                $problems[] = new Problem(
                    '',
                    ProblemCode::InUse,
                    'The module '.$row->quotedName().' draws from the terms below it. Change it first.',
                    ['link' => "/modules/{$row->key}"],
                );
            }
        }

        return $problems;
    }

    public function takingTermsOf(string $taxonomy): array
    {
        return $this->naming(self::TAXONOMY_KEYS, $taxonomy, 'takes its terms.');
    }

    /**
     * @param  list<string>  $keys  of a source
     * @return list<Problem>
     */
    private function naming(array $keys, string $name, string $words): array
    {
        $problems = [];
        foreach (ModuleRow::query()->whereNull('removed_at')->orderBy('key')->get() as $row) {
            if (self::names($row->draft, $keys, $name) || self::names($row->live ?? [], $keys, $name)) {
                $message = "The module {$row->quotedName()} {$words} Change it first.";
                $problems[] = new Problem('', ProblemCode::InUse, $message, ['link' => "/modules/{$row->key}"]);
            }
        }

        return $problems;
    }

    /**
     * True if the source of a definition, valid or not, refers to the key.
     *
     * @param  array<string, mixed>  $definition
     * @param  list<string>  $keys
     */
    private static function names(array $definition, array $keys, string $name): bool
    {
        $source = $definition['source'] ?? null;
        foreach (is_array($source) ? $keys : [] as $key) {
            if (in_array($name, (array) ($source[$key] ?? []), true)) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array<array-key, mixed> unchanged where not even a part of it can be read
     */
    private static function renamed(array $definition, Renaming $renaming, Catalogue $before): array
    {
        try {
            return $renaming->in($definition, (new ModuleReader($before))->salvage($definition)->module->references());
        } catch (Refused) {
            return $definition;
        }
    }
}
