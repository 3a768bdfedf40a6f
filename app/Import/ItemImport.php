<?php

declare(strict_types=1);

namespace App\Import;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Content\ItemWriter;
use App\Content\RevisionRecorder;
use App\Content\TermWriter;
use App\Media\MediaStore;
use App\Models\AuditAction;
use App\Models\Change;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;

/**
 * Brings items in from a CSV or JSON file. The file is read twice: once to check every row, once to write all or none;
 * so that no more than one row has to be held at a time. What was written can be undone as one change.
 */
final class ItemImport
{
    private const PREVIEWED = 12;

    private const ANALYZED_AT = [200, 2_000, 20_000, 200_000];

    private ItemReader $reader;

    private Type $type;

    private ?PictureZip $zip = null;

    /**
     * @var array<string, list<int>> ids of the items that have a value of the file's key field, by the value as JSON
     */
    private array $byKey = [];

    /** @var array<string, Field> fields by which an item links to others of its type */
    private array $linksToItsOwn = [];

    public function __construct(
        private readonly ItemWriter $writer,
        private readonly TermWriter $terms,
        private readonly CatalogueStore $catalogue,
        private readonly MediaStore $media,
    ) {
    }

    /**
     * What the import would do; nothing is written.
     *
     * @param  \Closure(string, int): void  $progress  told the phase (`read`) and how many rows are done
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function check(string $path, Type $type, ImportPlan $plan, \Closure $progress): ImportResult
    {
        return $this->checked($path, $type, $plan, $progress)[0];
    }

    /**
     * @param  \Closure(string, int): void  $progress  told the phase (`read`, `write`) and how many rows are done
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function run(string $path, Type $type, ImportPlan $plan, \Closure $progress): ImportResult
    {
        [$result, $bad, $slugs, $known] = $this->checked($path, $type, $plan, $progress);
        if ($bad !== [] && ! $plan->skipBad) {
            [$result->created, $result->changed, $result->unchanged] = [0, 0, 0];

            return $result;
        }
        $change = RevisionRecorder::change(
            'import',
            'Imported '.mb_strtolower($type->plural),
            'imported',
            function (RevisionRecorder $recorder, Change $change) use (
                $path, $type, $bad, $slugs, $known, $plan, $progress, $result,
            ): void {
                [$result->created, $result->changed, $result->unchanged] = [0, 0, 0];
                $this->catalogue->forget();
                $this->begin($type, $plan);
                ItemWriter::lock($known);
                $written = 0;
                foreach ($this->rows($path, $plan) as $n => $row) {
                    if (! isset($bad[$n])) {
                        match ($this->write($row, $plan, $slugs, $recorder)) {
                            'created' => $result->created++,
                            'changed' => $result->changed++,
                            'unchanged' => $result->unchanged++,
                        };
                        $progress('write', ++$written);
                        if (in_array($written, self::ANALYZED_AT, true)) {
                            // Otherwise the database plans for the few items that were there, and looks each slug up by
                            // reading them all.
                            DB::statement('analyze items');
                        }
                    }
                }
                // Links to what came later in the file are made now that everything is there.
                foreach ($this->linksToItsOwn === [] ? [] : $this->rows($path, $plan) as $n => $row) {
                    $slug = $row->values['slug'] ?? null;
                    if (
                        ! isset($bad[$n])
                        && is_string($slug)
                        && Whitespace::trim($slug) !== ''
                        && array_filter(array_intersect_key($row->values, $this->linksToItsOwn)) !== []
                    ) {
                        $this->write(
                            $row,
                            new ImportPlan($plan->columns, 'both', 'slug', false, false, $plan->pictures, $plan->plain),
                            $slugs,
                            $recorder,
                        );
                    }
                }
                AuditTrail::record(
                    AuditAction::Imported,
                    $this->type->plural,
                    ['made' => $result->created, 'changed' => $result->changed, 'change' => $change->id],
                );
                $change->update([
                    'title' => "Imported {$this->type->plural}: {$result->created} made, {$result->changed} changed",
                ]);
            },
        );
        $result->change = $change->id;

        return $result;
    }

    /**
     * @param  \Closure(string, int): void  $progress
     * @return array{ImportResult, array<int, true>, array<array-key, string>, list<int>} the bad rows by number, the
     *   slugs that the file names, with where, and the ids of the items that it changes
     */
    private function checked(string $path, Type $type, ImportPlan $plan, \Closure $progress): array
    {
        $this->begin($type, $plan);
        $this->expectLinks($path, $plan);
        $this->findByKey($path, $plan);
        $result = new ImportResult;
        $bad = $slugs = $keys = $known = [];
        $read = 0;
        foreach ($this->rows($path, $plan) as $n => $row) {
            $progress('read', ++$read);
            try {
                [$draft, $item, $standing] = $this->read($row, $plan, $result, false);
                $slugs = self::once($slugs, 'slug', $draft->slug, $row);
                $keys = $plan->key === 'slug'
                    ? []
                    : self::once($keys, $plan->key, $draft->fields[$plan->key] ?? null, $row);
                $becomes = $item === null ? 'created' : ($this->isSame($draft, $standing) ? 'unchanged' : 'changed');
                $result->{$becomes}++;
                if ($becomes === 'changed') {
                    $known[] = $item->id;
                }
                $this->preview($result, $row, $becomes, $draft);
            } catch (Refused $refused) {
                $bad[$n] = true;
                $result->bad++;
                $this->preview($result, $row, 'bad', null);
                foreach ($refused->problems as $problem) {
                    $heading = array_search($problem->path, $plan->columns ?? [], true);
                    $column = is_string($heading) ? $heading : $problem->path;
                    $result->problem(
                        new Problem(
                            $row->place.($column === '' ? '' : ", column {$column}"),
                            $problem->code,
                            $problem->message,
                            $problem->variables,
                        ),
                    );
                }
            }
        }

        return [$result, $bad, $slugs, $known];
    }

    /**
     * @param  array<array-key, string>  $seen  where each stands, by value
     * @return array<array-key, string> with this one
     *
     * @throws Refused when it stands there already
     */
    private static function once(array $seen, string $column, mixed $value, Row $row): array
    {
        $value = is_string($value) || is_int($value) || is_float($value) ? (string) $value : '';
        if ($value !== '' && isset($seen[$value])) {
            throw Refused::because(
                $column,
                ProblemCode::Twice,
                "“{$value}” stands on {$seen[$value]} already; expected each once.",
            );
        }

        return $value === '' ? $seen : $seen + [$value => $row->place];
    }

    private function begin(Type $type, ImportPlan $plan): void
    {
        $this->type = $this->catalogue->catalogue()->type($type->key) ?? $type;
        $this->reader = new ItemReader($this->type);
        $this->zip = $plan->pictures === null ? null : new PictureZip($plan->pictures);
        $this->linksToItsOwn = array_filter(
            $this->type->fields,
            fn (Field $field): bool => in_array($this->type->key, $field->types, true),
        );
    }

    /** Items of the file may link to others that stand further down in it. */
    private function expectLinks(string $path, ImportPlan $plan): void
    {
        $names = [];
        foreach ($this->linksToItsOwn === [] ? [] : $this->rows($path, $plan) as $row) {
            $slug = $row->values['slug'] ?? null;
            if (is_string($slug) && Whitespace::trim($slug) !== '') {
                $names["{$this->type->key}/".Whitespace::trim($slug)] = true;
            }
        }
        $this->writer->expectItems($names);
    }

    /**
     * @return array{ItemDraft, Item|null, array<string, mixed>|null} the item as it is to be, and as it is
     *
     * @throws Refused
     */
    private function read(Row $row, ImportPlan $plan, ?ImportResult $result, bool $writing): array
    {
        if ($row->fault !== null) {
            throw Refused::because('', ProblemCode::WrongRow, $row->fault);
        }
        $values = $this->withTerms($row, $plan, $result, $writing);
        $values = $this->withPictures($values, $row->cells, $writing);
        $item = $this->known($values, $row->cells, $plan);
        if ($item === null && $plan->mode === 'update') {
            throw Refused::because(
                $plan->key,
                ProblemCode::Unknown,
                "no {$this->type->label} is known by this; expected one that is there, since only known ones are "
                    .'changed.',
            );
        }
        if ($item !== null && $plan->mode === 'create' && $plan->key !== 'slug') {
            throw Refused::because(
                $plan->key,
                ProblemCode::Taken,
                "“{$item->title}” has it already; expected one that is not there, since only new ones are made.",
            );
        }
        $standing = $item === null ? null : Records::values($item, $this->type);
        $draft = $row->cells
            ? $this->reader->fromCells(self::texts($values), $standing)
            : $this->reader->fromValues($values, $standing);
        $this->writer->check($this->type, $draft, $item);

        return [$draft, $item, $standing];
    }

    /** @param  array<string, mixed>  $values */
    private function known(array $values, bool $cells, ImportPlan $plan): ?Item
    {
        if ($plan->mode === 'create' && $plan->key === 'slug') {
            return null;
        }
        $query = Item::query()->with(Item::whole())->where('type_key', $this->type->key);
        if ($plan->key === 'slug') {
            $slug = is_string($values['slug'] ?? null) ? Whitespace::trim($values['slug']) : '';

            return $slug === '' ? null : $query->where('slug', $slug)->first();
        }
        $value = $this->keyOf($values, $cells, $plan);
        $ids = $value === null ? [] : $this->byKey[self::canonical($value)] ?? [];
        if (count($ids) > 1) {
            $field = $this->type->fields[$plan->key];
            throw Refused::because(
                $plan->key,
                ProblemCode::Many,
                "several {$this->type->plural} have this {$field->label}; expected one that tells them apart.",
            );
        }

        return $ids === [] ? null : $query->where('id', $ids[0])->first();
    }

    /**
     * What the row says of the key field.
     *
     * @param  array<string, mixed>  $values
     */
    private function keyOf(array $values, bool $cells, ImportPlan $plan): mixed
    {
        $field = $this->type->fields[$plan->key];
        $given = $values[$plan->key] ?? null;
        try {
            return $cells
                ? $field->kind->readCell(is_string($given) ? $given : '', $field)
                : $field->kind->read($given, $field);
        } catch (\Wellspring\Core\Content\WrongValue $wrong) {
            throw Refused::because($plan->key, ProblemCode::WrongValue, $wrong->getMessage());
        }
    }

    /** Finds the items that the file's rows are known by, all in one scan: there is no index of every field. */
    private function findByKey(string $path, ImportPlan $plan): void
    {
        $this->byKey = [];
        if ($plan->key === 'slug') {
            return;
        }
        $wanted = [];
        foreach ($this->rows($path, $plan) as $row) {
            try {
                $value = $row->fault === null ? $this->keyOf($row->values, $row->cells, $plan) : null;
            } catch (Refused) {
                $value = null;
            }
            if ($value !== null) {
                $wanted[self::canonical($value)] = true;
            }
        }
        foreach (array_chunk(array_map(strval(...), array_keys($wanted)), 50_000) as $some) {
            $rows = DB::select(
                'select id, fields->? as value from items where type_key = ? and fields->? = any(array(select '
                    .'jsonb_array_elements(?::jsonb))) order by id',
                [$plan->key, $this->type->key, $plan->key, '['.implode(',', $some).']'],
            );
            foreach ($rows as $row) {
                $this->byKey[self::canonical(json_decode((string) $row->value, true))][] = (int) $row->id;
            }
        }
    }

    /** A value as JSON, the same for numbers that are equal. */
    private static function canonical(mixed $value): string
    {
        return json_encode(
            is_float($value) && floor($value) === $value && abs($value) < 2 ** 53 ? (int) $value : $value,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        );
    }

    /**
     * @param  array<array-key, string>  $slugs  those that the file names, which no made slug may take
     * @return 'created'|'changed'|'unchanged'
     */
    private function write(Row $row, ImportPlan $plan, array $slugs, RevisionRecorder $recorder): string
    {
        [$draft, $item, $standing] = $this->read($row, $plan, null, true);
        if ($item === null) {
            $this->writer->create($this->type, $draft, $slugs, recorder: $recorder);

            return 'created';
        }
        if ($this->isSame($draft, $standing)) {
            return 'unchanged';
        }
        $this->writer->update($item, $this->type, $draft, recorder: $recorder);

        return 'changed';
    }

    /** @param  array<string, mixed>|null  $standing */
    private function isSame(ItemDraft $draft, ?array $standing): bool
    {
        return $standing !== null
            && Differences::same($draft->values(), $this->reader->asItStands($standing)->values());
    }

    /**
     * The values with the terms of their paths made, where that is allowed; while checking they are made in mind only.
     *
     * @return array<string, mixed>
     */
    private function withTerms(Row $row, ImportPlan $plan, ?ImportResult $result, bool $writing): array
    {
        $maker = new TermMaker($this->terms, $this->catalogue);
        foreach ($plan->makeTerms && $row->cells ? array_keys($this->type->taxonomies) : [] as $taxonomy) {
            $cell = $row->values[$taxonomy] ?? '';
            foreach ($maker->missing($this->type, $taxonomy, is_string($cell) ? $cell : '') as $names) {
                $this->type = $maker->make($this->type, $taxonomy, $names, $writing);
                $this->reader = new ItemReader($this->type);
                if ($result !== null) {
                    $result->newTerms[] = implode(' > ', $names);
                }
            }
        }

        return $row->values;
    }

    /**
     * The values with the pictures of the zip under the names that they have on the site.
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
        $this->writer->expectPicture($taken);

        return $taken;
    }

    private function preview(ImportResult $result, Row $row, string $becomes, ?ItemDraft $draft): void
    {
        if (count($result->preview) < self::PREVIEWED) {
            $cells = [];
            foreach ($draft?->values() ?? $row->values as $column => $value) {
                $text = Differences::words($draft === null ? null : $this->reader->field((string) $column), $value);
                $cells[(string) $column] = mb_strimwidth(
                    str_starts_with($text, 'incoming-') ? 'from the zip' : mb_scrub($text),
                    0,
                    120,
                    '…',
                );
            }
            $result->preview[] = ['place' => $row->place, 'becomes' => $becomes, 'cells' => $cells];
        }
    }

    /**
     * @return \Generator<int, Row>
     *
     * @throws Refused
     */
    private function rows(string $path, ImportPlan $plan): \Generator
    {
        if (preg_match('/\.(json|jsonl|ndjson)$/Di', $path) === 1) {
            foreach (JsonRows::of($path) as $row) {
                yield $plan->columns === null || $row->fault !== null
                    ? $row
                    : new Row($row->place, self::matched($row->values, $plan->columns), false);
            }

            return;
        }
        $header = null;
        foreach (Csv::rows($path) as $line => $cells) {
            if ($header === null) {
                $header = array_map(Whitespace::trim(...), $cells);
                $this->checkHeader($header, $plan);
            } elseif (count($cells) !== count($header)) {
                yield new Row(
                    "line {$line}",
                    [],
                    true,
                    'expected '.count($header).' cells as in the header, found '.count($cells).'.',
                );
            } else {
                $values = array_combine($header, $plan->plain ? $cells : array_map(Csv::unmarked(...), $cells));
                yield new Row(
                    "line {$line}",
                    $plan->columns === null ? $values : self::matched($values, $plan->columns),
                    true,
                );
            }
        }
        if ($header === null) {
            throw Refused::because(
                'line 1',
                ProblemCode::NoHeader,
                'the file is empty; expected a header row with the names of the columns.',
            );
        }
    }

    /**
     * @param  array<string, mixed>  $values  by heading
     * @param  array<string, string|null>  $columns
     * @return array<string, mixed> by column
     */
    private static function matched(array $values, array $columns): array
    {
        $matched = [];
        foreach ($values as $heading => $value) {
            $column = $columns[$heading] ?? null;
            if ($column !== null) {
                $matched[$column] = $value;
            }
        }

        return $matched;
    }

    /**
     * @param  array<string, mixed>  $cells
     * @return array<string, string>
     */
    private static function texts(array $cells): array
    {
        return array_map(fn (mixed $cell): string => is_string($cell) ? $cell : '', $cells);
    }

    /** @param  list<string>  $header */
    private function checkHeader(array $header, ImportPlan $plan): void
    {
        $problems = [];
        $columns = $this->reader->columns();
        $named = [];
        foreach ($header as $i => $name) {
            $place = 'line 1, column '.($i + 1);
            $shown = mb_scrub($name);
            $column = $plan->columns === null ? $name : $plan->columns[$name] ?? null;
            if ($column === null) {
                continue;
            }
            if (! in_array($column, $columns, true)) {
                $problems[] = new Problem(
                    $place,
                    ProblemCode::UnknownColumn,
                    "“{$shown}” is not a column; expected one of: ".implode(', ', $columns).'.',
                );
            } elseif (in_array($column, $named, true)) {
                $problems[] = new Problem(
                    $place,
                    ProblemCode::Twice,
                    $plan->columns === null
                        ? "“{$shown}” stands in the header twice."
                        : "“{$column}” is matched twice; expected each column once.",
                );
            }
            $named[] = $column;
        }
        if (! in_array('title', $named, true) && $plan->mode !== 'update') {
            $problems[] = new Problem(
                'line 1',
                ProblemCode::MissingColumn,
                $plan->columns === null ? 'the column “title” is missing.' : 'no column is matched with the title.',
            );
        }
        if ($plan->mode === 'update' && ! in_array($plan->key, $named, true)) {
            $problems[] = new Problem(
                'line 1',
                ProblemCode::MissingColumn,
                "no column is matched with {$plan->key}, by which items are known.",
            );
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
    }
}
