<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;

/** The rows of a CSV or JSON file, by the columns of the plan. */
final readonly class ImportRows
{
    /** @param  list<string>  $columns  of the type */
    public function __construct(private string $path, private ImportPlan $plan, private array $columns)
    {
    }

    /**
     * In batches, so that memory contains only one batch.
     *
     * @return \Generator<int, non-empty-array<int, Row>> by number
     *
     * @throws Refused
     */
    public function lots(int $size): \Generator
    {
        $lot = [];
        foreach ($this->each() as $n => $row) {
            $lot[$n] = $row;
            if (count($lot) === $size) {
                yield $lot;
                $lot = [];
            }
        }
        if ($lot !== []) {
            yield $lot;
        }
    }

    /**
     * @return \Generator<int, Row> by number
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function each(): \Generator
    {
        $n = 0;
        foreach (preg_match('/\.(json|jsonl|ndjson)$/Di', $this->path) === 1 ? $this->json() : $this->csv() as $row) {
            yield $n++ => $row;
        }
    }

    /** @return \Generator<int, Row> */
    private function json(): \Generator
    {
        foreach (JsonRows::of($this->path) as $row) {
            yield $this->plan->columns === null || $row->fault !== null
                ? $row
                : new Row($row->place, self::matched($row->values, $this->plan->columns), false);
        }
    }

    /** @return \Generator<int, Row> */
    private function csv(): \Generator
    {
        $header = null;
        foreach (Csv::rows($this->path) as $line => $cells) {
            if ($header === null) {
                $header = array_map(Whitespace::trim(...), $cells);
                $this->checkHeader($header);
            } elseif (count($cells) !== count($header)) {
                yield new Row(
                    "line {$line}",
                    [],
                    true,
                    'expected '.count($header).' cells as in the header, found '.count($cells).'.',
                );
            } else {
                $values = array_combine($header, $this->plan->plain ? $cells : array_map(Csv::unmarked(...), $cells));
                yield new Row(
                    "line {$line}",
                    $this->plan->columns === null ? $values : self::matched($values, $this->plan->columns),
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

    /** @param  list<string>  $header */
    private function checkHeader(array $header): void
    {
        $problems = [];
        $named = [];
        foreach ($header as $i => $name) {
            $place = 'line 1, column '.($i + 1);
            $shown = mb_scrub($name);
            $column = $this->plan->columns === null ? $name : $this->plan->columns[$name] ?? null;
            if ($column === null) {
                continue;
            }
            if (! in_array($column, $this->columns, true)) {
                $problems[] = new Problem(
                    $place,
                    ProblemCode::UnknownColumn,
                    "“{$shown}” is not a column; expected one of: ".implode(', ', $this->columns).'.',
                );
            } elseif (in_array($column, $named, true)) {
                $problems[] = new Problem(
                    $place,
                    ProblemCode::Twice,
                    $this->plan->columns === null
                        ? "“{$shown}” stands in the header twice."
                        : "“{$column}” is matched twice; expected each column once.",
                );
            }
            $named[] = $column;
        }
        if (! in_array('title', $named, true) && $this->plan->mode !== 'update') {
            $problems[] = new Problem(
                'line 1',
                ProblemCode::MissingColumn,
                $this->plan->columns === null
                    ? 'the column “title” is missing.'
                    : 'no column is matched with the title.',
            );
        }
        if ($this->plan->mode === 'update' && ! in_array($this->plan->key, $named, true)) {
            $problems[] = new Problem(
                'line 1',
                ProblemCode::MissingColumn,
                "no column is matched with {$this->plan->key}, by which items are known.",
            );
        }
        if ($problems !== []) {
            throw new Refused($problems);
        }
    }
}
