<?php

declare(strict_types=1);

namespace App\Import;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Content\ItemChecks;
use App\Content\Taxonomies\TermWriter;
use App\Media\MediaStore;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Spreadsheet\ColumnForm;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;

/**
 * Reads the rows of a file as items: finds known items, creates terms and stores pictures if asked to, and checks
 * references. It reads many rows with a few queries.
 */
final class RowReader
{
    public ItemReader $reader;

    public Type $type;

    private ImportPlan $plan;

    private ?PictureZip $zip = null;

    /**
     * @var array<string, list<int>> ids of the items that have a value of the file's key field, by the value as JSON
     */
    private array $byKey = [];

    /** @var array<string, ColumnForm> how columns of the file are written */
    private array $forms = [];

    /** @var array<string, Field> fields by which an item links to others of its type */
    public array $linksToItsOwn = [];

    public function __construct(
        private readonly ItemChecks $checks,
        private readonly TermWriter $terms,
        private readonly CatalogueStore $catalogue,
        private readonly MediaStore $media,
        private readonly ColumnForms $columnForms,
    ) {
    }

    /** Begins a file, or restarts it after the check. */
    public function begin(Type $type, ImportPlan $plan): void
    {
        $this->plan = $plan;
        $this->type = $this->catalogue->catalogue()->type($type->key) ?? $type;
        $this->reader = new ItemReader($this->type);
        $this->zip = $plan->pictures === null ? null : new PictureZip($plan->pictures);
        $this->linksToItsOwn = array_filter(
            $this->type->fields,
            fn (Field $field): bool => in_array($this->type->key, $field->types, true),
        );
    }

    /**
     * Collects facts about the whole file: the items that it creates and links to, and the known items of its rows.
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function learn(ImportRows $rows): void
    {
        $this->forms = $this->columnForms->of($rows, $this->type, $this->plan->forms);
        $this->expectLinks($rows);
        $this->findByKey($rows);
    }

    /**
     * @param  array<int, Row>  $rows
     * @param  ImportResult|null  $result  collects the created terms
     * @param  bool  $writing  true if terms and pictures are stored; otherwise they only count as created
     * @return array<int, ReadRow|Refused> by the keys of the rows, in their order
     */
    public function readAll(array $rows, ?ImportResult $result, bool $writing): array
    {
        $read = $values = $drafts = $same = [];
        $rows = array_map($this->formed(...), $rows);
        foreach ($rows as $n => $row) {
            try {
                if ($row->fault !== null) {
                    throw Refused::because('', ProblemCode::WrongRow, $row->fault);
                }
                $this->makeTerms($row, $result, $writing);
                $values[$n] = $this->withPictures($row->values, $row->cells, $writing);
            } catch (Refused $refused) {
                $read[$n] = $refused;
            }
        }
        $known = $this->known(array_intersect_key($rows, $values), $values);
        foreach ($values as $n => $ofRow) {
            try {
                $item = $known[$n] ?? null;
                if ($item instanceof Refused) {
                    throw $item;
                }
                [$draft, $same[$n]] = $this->draft($ofRow, $rows[$n]->cells, $item);
                $drafts[$n] = [$draft, $item];
            } catch (Refused $refused) {
                $read[$n] = $refused;
            }
        }
        $read += $this->checks->faults($this->type, $drafts);
        foreach (array_diff_key($drafts, $read) as $n => [$draft, $item]) {
            $read[$n] = new ReadRow(
                $draft,
                $item,
                $item === null ? 'created' : ($same[$n] ? 'unchanged' : 'changed'),
            );
        }
        ksort($read);

        return $read;
    }

    /**
     * @param  array<string, mixed>  $values
     * @return array{ItemDraft, bool} the item as it is to be, and whether it is so already
     *
     * @throws Refused
     */
    private function draft(array $values, bool $cells, ?Item $item): array
    {
        if ($item === null && $this->plan->mode === 'update') {
            throw Refused::because(
                $this->plan->key,
                ProblemCode::Unknown,
                "no {$this->type->label} is known by this; expected one that is there, since only known ones are "
                    .'changed.',
            );
        }
        if ($item !== null && $this->plan->mode === 'create' && $this->plan->key !== 'slug') {
            throw Refused::because(
                $this->plan->key,
                ProblemCode::Taken,
                "“{$item->title}” has it already; expected one that is not there, since only new ones are made.",
            );
        }
        $standing = $item === null ? null : Records::values($item, $this->type);
        $draft = $cells
            ? $this->reader->fromCells(self::texts($values), $standing)
            : $this->reader->fromValues($values, $standing);

        return [
            $draft,
            $standing !== null
                && Differences::same($draft->values(), $this->reader->asItStands($standing)->values()),
        ];
    }

    /**
     * The known items of the rows.
     *
     * @param  array<int, Row>  $rows
     * @param  array<int, array<string, mixed>>  $values  by row
     * @return array<int, Item|Refused> by the keys of the rows; without those of which there is none
     */
    private function known(array $rows, array $values): array
    {
        if ($this->plan->mode === 'create' && $this->plan->key === 'slug') {
            return [];
        }
        $by = $this->plan->key === 'slug' ? 'slug' : 'id';
        $found = $wanted = [];
        foreach ($rows as $n => $row) {
            try {
                $wanted[$n] = $by === 'slug' ? self::slugOf($values[$n]) : $this->idOf($values[$n], $row->cells);
            } catch (Refused $refused) {
                $found[$n] = $refused;
            }
        }
        $wanted = array_filter($wanted, fn (string|int|null $one): bool => $one !== null);
        $items = $wanted === [] ? [] : Item::query()
            ->with(Item::whole())
            ->where('type_key', $this->type->key)
            ->whereIn($by, array_values($wanted))
            ->get()
            ->keyBy($by)
            ->all();
        foreach ($wanted as $n => $one) {
            if (isset($items[$one])) {
                $found[$n] = $items[$one];
            }
        }

        return $found;
    }

    /** @param  array<string, mixed>  $values */
    public static function slugOf(array $values): ?string
    {
        $slug = is_string($values['slug'] ?? null) ? Whitespace::trim($values['slug']) : '';

        return $slug === '' ? null : $slug;
    }

    /**
     * @param  array<string, mixed>  $values
     * @return int|null the id of the one item that has the row's value of the key field
     *
     * @throws Refused
     */
    private function idOf(array $values, bool $cells): ?int
    {
        $value = $this->keyOf($values, $cells);
        $ids = $value === null ? [] : $this->byKey[self::canonical($value)] ?? [];
        if (count($ids) > 1) {
            $field = $this->type->fields[$this->plan->key];
            throw Refused::because(
                $this->plan->key,
                ProblemCode::Many,
                "several {$this->type->plural} have this {$field->label}; expected one that tells them apart.",
            );
        }

        return $ids[0] ?? null;
    }

    /** The row with its cells in the file format. */
    private function formed(Row $row): Row
    {
        return $row->cells && $row->fault === null
            ? $row->with(ColumnForms::rewritten($this->forms, $row->values))
            : $row;
    }

    /** Items may link to others further down in the file. */
    private function expectLinks(ImportRows $rows): void
    {
        $names = [];
        foreach ($this->linksToItsOwn === [] ? [] : $rows->each() as $row) {
            $slug = self::slugOf($row->values);
            if ($slug !== null) {
                $names["{$this->type->key}/{$slug}"] = true;
            }
        }
        $this->checks->references->expectItems($names);
    }

    /**
     * The value of the key field.
     *
     * @param  array<string, mixed>  $values
     */
    private function keyOf(array $values, bool $cells): mixed
    {
        $field = $this->type->fields[$this->plan->key];
        $given = $values[$this->plan->key] ?? null;
        try {
            return $cells
                ? $field->kind->readCell(is_string($given) ? $given : '', $field)
                : $field->kind->read($given, $field);
        } catch (\Wellspring\Core\Content\WrongValue $wrong) {
            throw Refused::because($this->plan->key, ProblemCode::WrongValue, $wrong->getMessage());
        }
    }

    /** Finds the known items of all rows in one scan, because not every field has an index. */
    private function findByKey(ImportRows $rows): void
    {
        $this->byKey = [];
        if ($this->plan->key === 'slug') {
            return;
        }
        $wanted = [];
        foreach ($rows->each() as $row) {
            $row = $this->formed($row);
            try {
                $value = $row->fault === null ? $this->keyOf($row->values, $row->cells) : null;
            } catch (Refused) {
                $value = null;
            }
            if ($value !== null) {
                $wanted[self::canonical($value)] = true;
            }
        }
        foreach (array_chunk(array_map(strval(...), array_keys($wanted)), 50_000) as $some) {
            $found = DB::select(
                'select id, fields->? as value from items where type_key = ? and fields->? = any(array(select '
                    .'jsonb_array_elements(?::jsonb))) order by id',
                [$this->plan->key, $this->type->key, $this->plan->key, '['.implode(',', $some).']'],
            );
            foreach ($found as $row) {
                $this->byKey[self::canonical(json_decode((string) $row->value, true))][] = (int) $row->id;
            }
        }
    }

    /** A value as JSON, equal for equal numbers. */
    private static function canonical(mixed $value): string
    {
        return json_encode(
            is_float($value) && floor($value) === $value && abs($value) < 2 ** 53 ? (int) $value : $value,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }

    /** Creates the missing terms of a row's paths, if that is allowed; during the check they only count as created. */
    private function makeTerms(Row $row, ?ImportResult $result, bool $writing): void
    {
        $maker = new TermMaker($this->terms, $this->catalogue);
        foreach ($this->plan->makeTerms && $row->cells ? array_keys($this->type->taxonomies) : [] as $taxonomy) {
            $cell = $row->values[$taxonomy] ?? '';
            foreach ($maker->missing($this->type, $taxonomy, is_string($cell) ? $cell : '') as $names) {
                $this->type = $maker->make($this->type, $taxonomy, $names, $writing);
                $this->reader = new ItemReader($this->type);
                if ($result !== null) {
                    $result->newTerms[] = implode(' > ', $names);
                }
            }
        }
    }

    /**
     * The values with the names of the zip's pictures on the site.
     *
     * @param  array<string, mixed>  $values
     * @return array<string, mixed>
     */
    private function withPictures(array $values, bool $cells, bool $writing): array
    {
        foreach ($this->zip === null ? [] : $this->type->fields as $key => $field) {
            if (! in_array($field->kind->key(), ['picture', 'pictures'], true) || ! isset($values[$key])) {
                continue;
            }
            $names = $cells && is_string($values[$key])
                ? array_map(Whitespace::trim(...), explode('|', $values[$key]))
                : array_filter((array) $values[$key], is_string(...));
            $names = array_map(fn (string $name): string => $this->picture($key, $name, $writing), $names);
            $values[$key] = $cells
                ? implode(' | ', $names)
                : ($field->kind->key() === 'picture' ? $names[0] ?? null : $names);
        }

        return $values;
    }

    private function picture(string $key, string $name, bool $writing): string
    {
        if ($this->zip?->has($name) !== true) {
            return $name;
        }
        try {
            if ($writing) {
                $taken = $this->zip->take($name, $this->media);
            } else {
                $this->zip->check($name);
                $taken = 'incoming-'.substr(hash('sha256', $name), 0, 16).'.webp';
            }
        } catch (Refused $refused) {
            throw Refused::because($key, $refused->problems[0]->code, $refused->problems[0]->message);
        }
        $this->checks->references->expectPicture($taken);

        return $taken;
    }

    /**
     * @param  array<string, mixed>  $cells
     * @return array<string, string>
     */
    private static function texts(array $cells): array
    {
        return array_map(fn (mixed $cell): string => is_string($cell) ? $cell : '', $cells);
    }
}
