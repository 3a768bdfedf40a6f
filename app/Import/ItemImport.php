<?php

declare(strict_types=1);

namespace App\Import;

use App\Audit\AuditTrail;
use App\Catalogue\CatalogueStore;
use App\Content\ItemWriter;
use App\Enums\AuditAction;
use App\History\RevisionRecorder;
use App\Models\Change;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Imports items from a CSV or JSON file. The file is read twice: once to check every row, once to write all or none;
 * memory contains only one batch of rows. The import can be undone as one change.
 */
final class ItemImport
{
    private const PREVIEWED = 12;

    /** Number of rows that are read and written together. */
    private const LOT = 500;

    private const ANALYZED_AT = [200, 2_000, 20_000, 200_000];

    private ImportPlan $plan;

    public function __construct(
        private readonly ItemWriter $writer,
        private readonly RowReader $reader,
        private readonly CatalogueStore $catalogue,
    ) {
    }

    /**
     * Checks the import without writing anything.
     *
     * @param  \Closure(string, int): void  $progress  receives the phase (`read`) and the number of rows
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function check(string $path, Type $type, ImportPlan $plan, \Closure $progress): ImportResult
    {
        return $this->checked($this->begin($path, $type, $plan), $plan->key, $progress)[0];
    }

    /**
     * @param  \Closure(string, int): void  $progress  receives the phase (`read`, `write`) and the number of rows
     * @param  (\Closure(ImportResult): void)|null  $done  receives the result inside the same transaction
     *
     * @throws Refused when the file as a whole cannot be taken
     */
    public function run(
        string $path,
        Type $type,
        ImportPlan $plan,
        \Closure $progress,
        ?\Closure $done = null,
    ): ImportResult {
        $rows = $this->begin($path, $type, $plan);
        [$result, $bad, $slugs, $known] = $this->checked($rows, $plan->key, $progress);
        if ($bad !== [] && ! $plan->skipBad) {
            [$result->created, $result->changed, $result->unchanged] = [0, 0, 0];

            return $result;
        }
        RevisionRecorder::change(
            'import',
            'Imported '.mb_strtolower($type->plural),
            'imported',
            function (RevisionRecorder $recorder, Change $change) use (
                $path, $type, $bad, $slugs, $known, $plan, $progress, $done, $result,
            ): void {
                [$result->created, $result->changed, $result->unchanged] = [0, 0, 0];
                $this->catalogue->forget();
                $this->writer->lockType($type);
                $rows = $this->begin($path, $type, $plan);
                ItemWriter::lock($known);
                $written = 0;
                foreach ($rows->lots(self::LOT) as $lot) {
                    $lot = array_diff_key($lot, $bad);
                    foreach ($this->write($lot, $slugs, $recorder) as $becomes) {
                        $result->{$becomes}++;
                    }
                    $this->analyze($written, $written += count($lot));
                    $progress('write', $written);
                }
                $this->linkToItsOwn($path, $plan, $bad, $slugs, $recorder);
                AuditTrail::record(
                    AuditAction::Imported,
                    $this->reader->type->plural,
                    ['made' => $result->created, 'changed' => $result->changed, 'change' => $change->id],
                );
                $change->update([
                    'title' => "Imported {$this->reader->type->plural}: {$result->created} made, "
                        ."{$result->changed} changed",
                ]);
                $result->change = $change->id;
                $done === null || $done($result);
            },
        );

        return $result;
    }

    private function begin(string $path, Type $type, ImportPlan $plan): ImportRows
    {
        $this->plan = $plan;
        $this->reader->begin($type, $plan);

        return new ImportRows($path, $plan, $this->reader->reader->columns());
    }

    /**
     * Links to items further down in the file are written at the end.
     *
     * @param  array<int, true>  $bad
     * @param  array<array-key, string>  $slugs
     */
    private function linkToItsOwn(
        string $path,
        ImportPlan $plan,
        array $bad,
        array $slugs,
        RevisionRecorder $recorder,
    ): void {
        $fields = $this->reader->linksToItsOwn;
        if ($fields === []) {
            return;
        }
        $rows = new ImportRows($path, $plan, $this->reader->reader->columns());
        $this->reader->begin($this->reader->type, new ImportPlan($plan->columns, 'both', pictures: $plan->pictures));
        foreach ($rows->lots(self::LOT) as $lot) {
            $this->write(array_filter(
                array_diff_key($lot, $bad),
                fn (Row $row): bool => RowReader::slugOf($row->values) !== null
                    && array_filter(array_intersect_key($row->values, $fields)) !== [],
            ), $slugs, $recorder);
        }
    }

    /**
     * Updates the statistics. Otherwise PostgreSQL plans for the few earlier items and scans them all for each slug.
     * With many items its statistics are good enough.
     */
    private function analyze(int $before, int $written): void
    {
        foreach (self::ANALYZED_AT as $number) {
            if ($before < $number && $written >= $number) {
                $known = DB::scalar("select reltuples from pg_class where oid = 'items'::regclass");
                (is_numeric($known) ? (float) $known : 0.0) > 10 * $number || DB::statement('analyze items');

                return;
            }
        }
    }

    /**
     * @param  array<int, Row>  $rows
     * @param  array<array-key, string>  $slugs  the slugs in the file, which generated slugs must not use
     * @return list<'created'|'changed'|'unchanged'>
     *
     * @throws Refused
     */
    private function write(array $rows, array $slugs, RevisionRecorder $recorder): array
    {
        $new = $changed = $becomes = [];
        foreach ($this->reader->readAll($rows, null, true) as $read) {
            if ($read instanceof Refused) {
                throw $read;
            }
            $becomes[] = $read->becomes;
            if ($read->item === null) {
                $new[] = $read->draft;
            } elseif ($read->becomes === 'changed') {
                $changed[] = [$read->item, $read->draft];
            }
        }
        $this->writer->updateAll($this->reader->type, $changed, $recorder);
        $this->writer->createAll($this->reader->type, $new, $slugs, $recorder);

        return $becomes;
    }

    /**
     * @param  \Closure(string, int): void  $progress
     * @return array{ImportResult, array<int, true>, array<array-key, string>, list<int>} the bad rows by number, the
     *   slugs that the file names, with where, and the ids of the items that it changes
     */
    private function checked(ImportRows $rows, string $key, \Closure $progress): array
    {
        $this->reader->learn($rows);
        $result = new ImportResult;
        $bad = $slugs = $keys = $known = [];
        $read = 0;
        foreach ($rows->lots(self::LOT) as $lot) {
            foreach ($this->reader->readAll($lot, $result, false) as $n => $one) {
                $row = $lot[$n];
                try {
                    if ($one instanceof Refused) {
                        throw $one;
                    }
                    self::once($slugs, 'slug', $one->draft->slug, $row);
                    $key === 'slug' || self::once($keys, $key, $one->draft->fields[$key] ?? null, $row);
                    $result->{$one->becomes}++;
                    if ($one->item !== null && $one->becomes === 'changed') {
                        $known[] = $one->item->id;
                    }
                    $this->preview($result, $row, $one);
                } catch (Refused $refused) {
                    $bad[$n] = true;
                    $this->refuse($result, $row, $refused);
                }
            }
            $progress('read', $read += count($lot));
        }

        return [$result, $bad, $slugs, $known];
    }

    /**
     * @param  array<array-key, string>  $seen  place by value; this one is added
     *
     * @throws Refused when it stands there already
     */
    private static function once(array &$seen, string $column, mixed $value, Row $row): void
    {
        $value = is_string($value) || is_int($value) || is_float($value) ? (string) $value : '';
        if ($value !== '' && isset($seen[$value])) {
            throw Refused::because(
                $column,
                ProblemCode::Twice,
                "“{$value}” stands on {$seen[$value]} already; expected each once.",
            );
        }
        if ($value !== '') {
            $seen[$value] = $row->place;
        }
    }

    private function refuse(ImportResult $result, Row $row, Refused $refused): void
    {
        $result->bad++;
        $this->preview($result, $row, null);
        foreach ($refused->problems as $problem) {
            $heading = array_search($problem->path, $this->plan->columns ?? [], true);
            $column = is_string($heading) ? $heading : $problem->path;
            $result->problem(new Problem(
                $row->place.($column === '' ? '' : ", column {$column}"),
                $problem->code,
                $problem->message,
                $problem->variables,
            ));
        }
    }

    /** @param  ReadRow|null  $read  null if it is invalid */
    private function preview(ImportResult $result, Row $row, ?ReadRow $read): void
    {
        if (count($result->preview) < self::PREVIEWED) {
            $cells = [];
            foreach ($read?->draft->values() ?? $row->values as $column => $value) {
                $field = $read === null ? null : $this->reader->reader->field((string) $column);
                $text = Differences::words($field, $value);
                $cells[(string) $column] = mb_strimwidth(
                    str_starts_with($text, 'incoming-') ? 'from the zip' : mb_scrub($text),
                    0,
                    120,
                    '…',
                );
            }
            $result->preview[] = ['place' => $row->place, 'becomes' => $read->becomes ?? 'bad', 'cells' => $cells];
        }
    }
}
