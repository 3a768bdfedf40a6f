<?php

declare(strict_types=1);

namespace App\Sets;

use App\Catalogue\CatalogueStore;
use App\Content\Taxonomies\TermWriter;
use App\Content\Types\TypeWriter;
use App\Modules\ModuleStore;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TermDraft;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Message;

/** Applies a set: missing parts are created, existing ones stay unchanged. */
final readonly class SetApplier
{
    public function __construct(
        private CatalogueStore $store,
        private TypeWriter $types,
        private TermWriter $terms,
        private ModuleStore $modules,
    ) {
    }

    /**
     * The effect of each part. Everything is rolled back.
     *
     * @return list<SetPart>
     *
     * @throws Refused with each problem's path beginning with the file's name
     */
    public function look(ReadySet $set): array
    {
        DB::beginTransaction();
        try {
            return $this->bringIn($set);
        } finally {
            DB::rollBack();
            $this->store->forget();
        }
    }

    /** @return list<SetPart> what was done; where a file is refused, nothing is */
    public function apply(ReadySet $set): array
    {
        return DB::transaction(fn (): array => $this->bringIn($set));
    }

    /** @return list<SetPart> */
    private function bringIn(ReadySet $set): array
    {
        $problems = new Problems;
        $parts = [];
        foreach ($set->taxonomies as $file => $data) {
            $this->try($file, $problems, function () use ($data, &$parts): void {
                $read = TaxonomyFile::read($data);
                $there = $this->store->catalogue()->taxonomies[$read->taxonomy->key] ?? null;
                $new = $this->missing($read->terms, fn (string $slug): bool => $there?->terms->find($slug) === null);
                $this->terms->apply($read);
                $parts[] = new SetPart(
                    'taxonomy',
                    $read->taxonomy->key,
                    $read->taxonomy->label,
                    $there === null ? 'new' : 'same',
                    Message::of('{n, plural, =0 {no new terms} one {# new term} other {# new terms}}', ['n' => $new]),
                );
            });
        }
        foreach ($this->inOrder($set->types) as $file => $data) {
            $this->try($file, $problems, function () use ($data, &$parts): void {
                $type = TypeFile::read($data, $this->store->catalogue()->taxonomies);
                $there = $this->store->catalogue()->type($type->key);
                $same = $there !== null && json_encode(TypeFile::write($there)) === json_encode(TypeFile::write($type));
                if ($there === null) {
                    $this->types->apply($data);
                }
                $fields = implode(', ', array_map(fn (Field $field): string => $field->label, $type->fields));
                $parts[] = new SetPart(
                    'type',
                    $type->key,
                    $type->plural,
                    $there === null ? 'new' : ($same ? 'same' : 'kept'),
                    $fields,
                );
            });
        }
        foreach ($set->modules as $file => $data) {
            $this->try($file, $problems, function () use ($data, &$parts): void {
                $module = $this->modules->read($data);
                $there = $this->modules->find($module->key);
                if ($there === null) {
                    $this->modules->apply($module);
                }
                $parts[] = new SetPart(
                    'module',
                    $module->key,
                    $module->name,
                    $there === null
                        ? 'new'
                        : (json_encode($there->draft) === json_encode($module->toArray()) ? 'same' : 'kept'),
                    'a draft, on no page yet',
                );
            });
        }
        $problems->refuseIfAny();

        return $parts;
    }

    /** @param  \Closure(): void  $work */
    private function try(string $file, Problems $problems, \Closure $work): void
    {
        try {
            $work();
        } catch (Refused $refused) {
            foreach ($refused->problems as $problem) {
                $problems->add(
                    $file.($problem->path === '' ? '' : " {$problem->path}"),
                    $problem->code,
                    $problem->message,
                    $problem->variables,
                );
            }
        }
    }

    /**
     * A type whose fields link to items of another type comes after that type.
     *
     * @param  array<string, mixed>  $types
     * @return array<string, mixed>
     */
    private function inOrder(array $types): array
    {
        $ordered = [];
        $known = array_keys($this->store->catalogue()->types);
        while ($types !== []) {
            $before = count($types);
            foreach ($types as $file => $data) {
                $key = is_array($data) && is_array($data['x-wellspring'] ?? null)
                    ? $data['x-wellspring']['key'] ?? null
                    : null;
                if (array_diff($this->linkedTypes($data), $known, [$key]) === []) {
                    $ordered[$file] = $data;
                    $known[] = $key;
                    unset($types[$file]);
                }
            }
            if (count($types) === $before) {
                return $ordered + $types;
            }
        }

        return $ordered;
    }

    /** @return list<mixed> */
    private function linkedTypes(mixed $data): array
    {
        $types = [];
        foreach (is_array($data) && is_array($data['properties'] ?? null) ? $data['properties'] : [] as $field) {
            array_push(
                $types,
                ...array_values(
                    (array) (
                        is_array($field) && is_array($field['x-wellspring'] ?? null)
                            ? $field['x-wellspring']['types'] ?? []
                            : []
                    ),
                ),
            );
        }

        return $types;
    }

    /**
     * @param  list<TermDraft>  $terms
     * @param  \Closure(string): bool  $isMissing
     */
    private function missing(array $terms, \Closure $isMissing): int
    {
        $count = 0;
        foreach ($terms as $term) {
            $count += ($isMissing($term->slug) ? 1 : 0) + $this->missing($term->below, $isMissing);
        }

        return $count;
    }
}
