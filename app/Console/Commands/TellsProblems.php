<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Wellspring\Core\Problem\Problem;

trait TellsProblems
{
    /** @param list<Problem> $problems */
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
