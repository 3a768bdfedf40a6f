<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** Gathers faults while something is read. */
final class Problems
{
    /** @var list<Problem> */
    private array $found = [];

    /** @param  array<string, scalar|null>  $variables */
    public function add(string $path, string $code, string $message, array $variables = []): void
    {
        $this->found[] = new Problem($path, $code, $message, $variables);
    }

    public function take(Refused $refused, string $prefix): void
    {
        foreach ($refused->problems as $problem) {
            $this->found[] = $problem->under($prefix);
        }
    }

    /** @return list<Problem> */
    public function all(): array
    {
        return $this->found;
    }

    /** @throws Refused when anything was found */
    public function refuseIfAny(): void
    {
        if ($this->found !== []) {
            throw new Refused($this->found);
        }
    }
}
