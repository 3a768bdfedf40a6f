<?php

declare(strict_types=1);

namespace App\Console\Commands\Definitions;

use App\Console\JsonFile;
use App\Console\ReportsProblems;
use App\Content\Types\TypeWriter;
use Illuminate\Console\Command;
use Wellspring\Core\Problem\Refused;

final class TypesApply extends Command
{
    use ReportsProblems;

    protected $signature = 'wellspring:types:apply
        {file : a type as a JSON Schema document, or - for the standard input}
        {--with-loss : though values leave the items; wellspring:undo brings them back}';

    protected $description = 'Define a content type from a file';

    public function handle(TypeWriter $writer): int
    {
        try {
            $applied = $writer->apply(
                JsonFile::read($this->given('file')),
                withLoss: (bool) $this->option('with-loss'),
            );
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);

            return self::FAILURE;
        }
        $this->info(
            "The type {$applied->type->key} is defined, with ".count($applied->type->fields).' fields of its own.',
        );

        return self::SUCCESS;
    }
}
