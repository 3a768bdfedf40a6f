<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Catalogue\CatalogueStore;
use App\Console\ReportsProblems;
use App\Import\ColumnMatch;
use App\Import\ImportFile;
use App\Import\ImportPlan;
use App\Import\ItemImport;
use Illuminate\Console\Command;
use Symfony\Component\Console\Helper\ProgressBar;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

final class ItemsImport extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:items:import
        {file : a table (.csv, with a header row) or objects (.json, .jsonl)}
        {--type= : the key of the content type}
        {--update : change the items that are known already, instead of refusing the row}
        {--only-update : change known items and make none}
        {--key=slug : what a row is known by: slug, or the key of a text, number or link field}
        {--match : the headings are other words than the columns; match them as the Import screen would}
        {--make-terms : make terms that are not there, from paths such as "Perennials > Ferns"}
        {--pictures= : a zip file with the pictures that cells name}
        {--plain : cells stand as they are, an apostrophe before what looks like a formula included}
        {--skip-bad : write the right rows though others are wrong}';

    protected $description = 'Bring items in from a file; nothing is written while a row is wrong';

    public function handle(ItemImport $import, CatalogueStore $store): int
    {
        $catalogue = $store->catalogue();
        $type = $catalogue->type($this->given('--type'));
        if ($type === null) {
            $this->error('--type: expected one of '.implode(', ', array_keys($catalogue->types)).'.');

            return self::INVALID;
        }
        $bar = new ProgressBar($this->output->getErrorStyle());
        $bar->setFormat(' %message% %current% rows  %elapsed%');
        $phase = '';
        try {
            $plan = $this->plan($type);
            $result = $import->run(
                $this->given('file'),
                $type,
                $plan,
                function (string $now, int $done) use ($bar, &$phase): void {
                    if ($phase !== $now) {
                        $bar->setMessage($now === 'read' ? 'Reading' : 'Writing');
                        $bar->setProgress(0);
                        $phase = $now;
                    }
                    $bar->setProgress($done);
                },
            );
        } catch (Refused $refused) {
            $this->newLine();
            $this->tellProblems($refused->problems);
            $this->error('Nothing was written.');

            return self::FAILURE;
        }
        $bar->clear();
        $this->tellProblems($result->problems);
        if ($result->bad > 0 && $result->created + $result->changed + $result->unchanged === 0) {
            $this->error(
                "{$result->bad} rows are wrong; nothing was written. Mend them, or write the others with --skip-bad.",
            );

            return self::FAILURE;
        }
        $this->info(
            "{$result->created} items made, {$result->changed} changed, "
                ."{$result->unchanged} as they were, {$result->bad} rows left aside.",
        );
        $this->line("To take it back: php artisan wellspring:undo {$result->change}");

        return self::SUCCESS;
    }

    private function plan(Type $type): ImportPlan
    {
        $key = $this->given('--key');
        if (! in_array($key, ImportPlan::keys($type), true)) {
            throw Refused::because(
                '--key',
                ProblemCode::WrongValue,
                'expected one of '.implode(', ', ImportPlan::keys($type)).'.',
            );
        }

        return new ImportPlan(
            columns: $this->option('match')
                ? ColumnMatch::guess($type, ImportFile::headings($this->given('file')))
                : null,
            mode: $this->option('only-update') ? 'update' : ($this->option('update') ? 'both' : 'create'),
            key: $key,
            makeTerms: (bool) $this->option('make-terms'),
            skipBad: (bool) $this->option('skip-bad'),
            pictures: $this->given('--pictures') === '' ? null : $this->given('--pictures'),
            plain: (bool) $this->option('plain'),
        );
    }
}
