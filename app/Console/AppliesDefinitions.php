<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Database\Eloquent\Model;
use Wellspring\Core\Problem\Refused;

/** Common code of the commands that read or print definitions. */
trait AppliesDefinitions
{
    use ReportsProblems;

    /**
     * Reads the definition of the argument `file`, stores it as a draft and, with `--publish`, publishes it.
     *
     * @template D of object
     * @template R of Model
     *
     * @param  \Closure(mixed): D  $read
     * @param  \Closure(D): R  $apply
     * @param  \Closure(R): mixed  $publish
     * @param  \Closure(D): string  $words  its name at the beginning of a sentence
     */
    private function applyDefinition(\Closure $read, \Closure $apply, \Closure $publish, \Closure $words): int
    {
        try {
            $definition = $read(JsonFile::read($this->given('file')));
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);
            $this->error('Nothing was written.');

            return self::FAILURE;
        }
        $row = $apply($definition);
        try {
            $this->option('publish') && $publish($row);
        } catch (Refused $refused) {
            $this->tellProblems($refused->problems);
            $this->error("{$words($definition)} is kept as a draft and not live.");

            return self::FAILURE;
        }
        $this->info("{$words($definition)} is ".($this->option('publish') ? 'live.' : 'kept as a draft.'));

        return self::SUCCESS;
    }

    /**
     * Prints the draft, or with `--live` the live version.
     *
     * @param  array<string, mixed>|null  $draft  null if the key does not exist
     * @param  array<string, mixed>|null  $live
     * @param  \Closure(array<string, mixed>): array<string, mixed>  $written  converts it to the form of a file
     * @param  string  $what  its name at the beginning of a sentence: “The page”
     */
    private function exportDefinition(?array $draft, ?array $live, \Closure $written, string $what): int
    {
        $definition = $this->option('live') ? $live : $draft;
        if ($draft === null || $definition === null) {
            $this->error($draft === null ? "{$what} is not there." : "{$what} is not live.");

            return self::FAILURE;
        }
        $this->output->writeln(
            json_encode(
                $written($definition),
                JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ),
            \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW,
        );

        return self::SUCCESS;
    }
}
