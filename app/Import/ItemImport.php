<?php

declare(strict_types=1);

namespace App\Import;

use App\Content\ItemWriter;
use App\Content\Records;
use App\Models\Item;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemDraft;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;

/**
 * Brings items in from a CSV or JSON file. The file is read twice: once to check every row, once to write all or none;
 * so that no more than one row has to be held at a time.
 */
final readonly class ItemImport
{
    public function __construct(private ItemWriter $writer)
    {
    }

    /**
     * @param  bool  $update  whether a row with a known slug changes that item instead of being refused
     * @param  bool  $skipBad  whether the right rows are written though others are wrong
     * @param  \Closure(string, int): void  $progress  told the phase (`read`, `write`) and how many rows are done
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function run(string $path, Type $type, bool $update, bool $skipBad, \Closure $progress): ImportResult
    {
        $reader = new ItemReader($type);
        $rows = fn (): \Generator => preg_match('/\.(json|jsonl|ndjson)$/Di', $path) === 1 ? JsonRows::of($path) : $this->csvRows($path, $reader);

        $problems = $bad = $slugs = [];
        $read = 0;
        foreach ($rows() as $n => $row) {
            $progress('read', ++$read);
            try {
                $slug = $this->read($row, $type, $reader, $update)[0]->slug;
                if ($slug !== null && isset($slugs[$slug])) {
                    throw Refused::because('slug', 'twice', "“{$slug}” stands on {$slugs[$slug]} already; expected each slug once.");
                }
                if ($slug !== null) {
                    $slugs[$slug] = $row->place;
                }
            } catch (Refused $refused) {
                $bad[$n] = true;
                foreach ($refused->problems as $problem) {
                    $problems[] = new Problem($row->place.($problem->path === '' ? '' : ", column {$problem->path}"), $problem->code, $problem->message, $problem->variables);
                }
            }
        }
        if ($bad !== [] && ! $skipBad) {
            return new ImportResult(0, 0, 0, count($bad), $problems);
        }
        $done = ['created' => 0, 'changed' => 0, 'unchanged' => 0];
        DB::transaction(function () use ($rows, $bad, $slugs, $type, $reader, $update, $progress, &$done): void {
            DB::statement("set local wellspring.bulk = 'on'");
            $written = 0;
            foreach ($rows() as $n => $row) {
                if (! isset($bad[$n])) {
                    $done[$this->write($row, $type, $reader, $update, $slugs)]++;
                    $progress('write', ++$written);
                }
            }
        });

        return new ImportResult($done['created'], $done['changed'], $done['unchanged'], count($bad), $problems);
    }

    /**
     * @return array{ItemDraft, Item|null, array<string, mixed>|null} the item as it is to be, and as it is
     *
     * @throws Refused
     */
    private function read(Row $row, Type $type, ItemReader $reader, bool $update): array
    {
        if ($row->fault !== null) {
            throw Refused::because('', 'wrongRow', $row->fault);
        }
        $slug = is_string($row->values['slug'] ?? null) ? trim($row->values['slug']) : '';
        $item = $update && $slug !== '' ? Item::query()->with(Item::whole())->where('type_key', $type->key)->where('slug', $slug)->first() : null;
        $standing = $item === null ? null : Records::values($item, $type);
        $draft = $row->cells ? $reader->fromCells(self::texts($row->values), $standing) : $reader->fromValues($row->values, $standing);
        $this->writer->check($type, $draft, $item);

        return [$draft, $item, $standing];
    }

    /**
     * @param  array<string, string>  $slugs  those that the file names, which no made slug may take
     * @return 'created'|'changed'|'unchanged'
     */
    private function write(Row $row, Type $type, ItemReader $reader, bool $update, array $slugs): string
    {
        [$draft, $item, $standing] = $this->read($row, $type, $reader, $update);
        if ($item === null || $standing === null) {
            $this->writer->create($type, $draft, $slugs);

            return 'created';
        }
        // Loosely: a choice more or less counts, the order in which fields came does not.
        if ($draft == $reader->fromValues($standing)) {
            return 'unchanged';
        }
        $this->writer->update($item, $type, $draft);

        return 'changed';
    }

    /** @return \Generator<int, Row> */
    private function csvRows(string $path, ItemReader $reader): \Generator
    {
        $header = null;
        foreach (Csv::rows($path) as $line => $cells) {
            if ($header === null) {
                $header = array_map(trim(...), $cells);
                $this->checkHeader($header, $reader);

                continue;
            }
            if (count($cells) !== count($header)) {
                yield new Row("line {$line}", [], true, 'expected '.count($header).' cells as in the header, found '.count($cells).'.');
            } else {
                yield new Row("line {$line}", array_combine($header, $cells), true);
            }
        }
        if ($header === null) {
            throw Refused::because('line 1', 'noHeader', 'the file is empty; expected a header row with the names of the columns.');
        }
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
    private function checkHeader(array $header, ItemReader $reader): void
    {
        $problems = [];
        foreach ($header as $i => $name) {
            $place = 'line 1, column '.($i + 1);
            $shown = mb_scrub($name);
            if (! in_array($name, $reader->columns(), true)) {
                $problems[] = new Problem($place, 'unknownColumn', "“{$shown}” is not a column; expected one of: ".implode(', ', $reader->columns()).'.');
            } elseif (array_search($name, $header, true) !== $i) {
                $problems[] = new Problem($place, 'twice', "“{$shown}” stands in the header twice.");
            }
        }
        if (! in_array('title', $header, true)) {
            $problems[] = new Problem('line 1', 'missingColumn', 'the column “title” is missing.');
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
    }
}
