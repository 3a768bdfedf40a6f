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
use Wellspring\Core\Problem\Shape;

/** Brings items in from a CSV or JSON file: all rows are read and checked first, then all are written or none. */
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
        $rows = str_ends_with(strtolower($path), '.json') ? $this->jsonRows($path) : $this->csvRows($path, $reader);
        $existing = Item::query()->where('type_key', $type->key)->pluck('slug')->flip();

        $problems = [];
        $bad = 0;
        /** @var list<array{ItemDraft, int|null}> $ready */
        $ready = [];
        $slugs = [];
        $read = 0;
        foreach ($rows as $row) {
            $progress('read', ++$read);
            $place = $row->place;
            try {
                if ($row->fault !== null) {
                    throw Refused::because('', 'wrongRow', $row->fault);
                }
                $slug = is_string($row->values['slug'] ?? null) ? trim($row->values['slug']) : '';
                $known = $update && $existing->has($slug);
                $item = $known ? Item::query()->with('terms')->where('type_key', $type->key)->where('slug', $slug)->first() : null;
                $standing = $item === null ? [] : self::standing($item, $type);
                $draft = $row->cells ? $reader->fromCells(self::texts($row->values), $standing) : $reader->fromValues($row->values, $standing);
                $this->writer->check($type, $draft, $item);
                if ($draft->slug !== null && isset($slugs[$draft->slug])) {
                    throw Refused::because('slug', 'twice', "“{$draft->slug}” stands on {$slugs[$draft->slug]} already; expected each slug once.");
                }
                if ($draft->slug !== null) {
                    $slugs[$draft->slug] = $place;
                }
                $ready[] = [$draft, $item?->id];
            } catch (Refused $refused) {
                $bad++;
                foreach ($refused->problems as $problem) {
                    $problems[] = new Problem($place.($problem->path === '' ? '' : ", column {$problem->path}"), $problem->code, $problem->message, $problem->variables);
                }
            }
        }
        if ($bad > 0 && ! $skipBad) {
            return new ImportResult(0, 0, $bad, $problems);
        }
        $changed = 0;
        DB::transaction(function () use ($ready, $type, $progress, &$changed): void {
            DB::statement("set local wellspring.bulk = 'on'");
            foreach ($ready as $i => [$draft, $id]) {
                if ($id === null) {
                    $this->writer->create($type, $draft);
                } else {
                    $this->writer->update(Item::query()->findOrFail($id), $type, $draft);
                    $changed++;
                }
                $progress('write', $i + 1);
            }
        });

        return new ImportResult(count($ready) - $changed, $changed, $bad, $problems);
    }

    /**
     * What the item has now, by column, so that columns an import does not bring stay as they are.
     *
     * @return array<string, mixed>
     */
    public static function standing(Item $item, Type $type): array
    {
        $record = Records::of($item);
        $values = ['slug' => $item->slug, 'status' => $item->status, 'audience' => $item->audience, 'lead' => $item->lead];
        foreach ($type->reachable as $key => $field) {
            if (! in_array($key, ['created_at', 'updated_at'], true)) {
                $values[$key] ??= $record->value($field);
            }
        }

        return $values;
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

    /** @return \Generator<int, Row> */
    private function jsonRows(string $path): \Generator
    {
        $text = is_file($path) ? file_get_contents($path) : false;
        if ($text === false) {
            throw Refused::because('', 'unreadable', "“{$path}” cannot be read.");
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw Refused::because('', 'notUtf8', 'the file is not in UTF-8.');
        }
        try {
            $data = json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw Refused::because('', 'notJson', "the file is not JSON: {$fault->getMessage()}.");
        }
        if (! is_array($data) || ! array_is_list($data)) {
            throw Refused::because('', 'notAList', 'expected a list of objects.');
        }
        foreach ($data as $i => $values) {
            yield is_array($values) && ! array_is_list($values)
                ? new Row('item '.($i + 1), $values, false)
                : new Row('item '.($i + 1), [], false, 'expected an object, found '.Shape::describe($values).'.');
        }
    }
}
