<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Catalogue\CatalogueStore;
use App\Console\ReportsProblems;
use App\Export\ItemExport;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

final class ItemsExport extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:items:export
        {--type= : the key of the content type}
        {--format=csv : csv, json or jsonl}
        {--plain : without the apostrophe before cells that a spreadsheet program would take as formulas}
        {--out= : the file to write; the standard output unless given}';

    protected $description = 'Give the items of a type out, as wellspring:items:import takes them';

    public function handle(ItemExport $export, CatalogueStore $store): int
    {
        $catalogue = $store->catalogue();
        $type = $catalogue->type($this->given('--type'));
        $format = $this->given('--format');
        if ($type === null || ! in_array($format, ['csv', 'json', 'jsonl'], true)) {
            $this->error(
                $type === null
                    ? '--type: expected one of '.implode(', ', array_keys($catalogue->types)).'.'
                    : '--format: expected csv, json or jsonl.',
            );

            return self::INVALID;
        }
        $out = $this->given('--out');
        if ($out === '') {
            foreach ($export->write($type, $format, (bool) $this->option('plain')) as $piece) {
                $this->output->write($piece, false, OutputInterface::OUTPUT_RAW);
            }

            return self::SUCCESS;
        }
        // The file is written under another name and then moved, so it is never incomplete.
        $part = $out.'.part';
        $file = is_dir(dirname($out)) && is_writable(dirname($out)) ? fopen($part, 'wb') : false;
        if ($file === false) {
            $this->error("--out: “{$out}” cannot be written.");

            return self::FAILURE;
        }
        foreach ($export->write($type, $format, (bool) $this->option('plain')) as $piece) {
            fwrite($file, $piece);
        }
        fclose($file);
        rename($part, $out);

        return self::SUCCESS;
    }
}
