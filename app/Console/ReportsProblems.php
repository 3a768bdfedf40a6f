<?php

declare(strict_types=1);

namespace App\Console;

use Wellspring\Core\Problem\Problem;

/** Common code of commands: prints problems one per line, and reads arguments as text. */
trait ReportsProblems
{
    /** An argument, or an option with its dashes: `file`, `--page`. */
    private function given(string $name): string
    {
        $value = str_starts_with($name, '--') ? $this->option(substr($name, 2)) : $this->argument($name);

        return is_string($value) ? $value : '';
    }

    /** @param  list<Problem>  $problems */
    private function tellProblems(array $problems, string $style = 'error'): void
    {
        foreach ($problems as $problem) {
            $this->getOutput()->getErrorStyle()->writeln("<{$style}>{$this->plain((string) $problem)}</{$style}>");
        }
    }

    private function plain(string $text): string
    {
        return \Symfony\Component\Console\Formatter\OutputFormatter::escape($text);
    }
}
