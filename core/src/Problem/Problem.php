<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** One fault in input: its place, the kind of fault, and what was expected. */
final readonly class Problem
{
    /**
     * @param  string  $path  the path of the place: `where.all[1].value`; empty for the whole input
     * @param  array<string, scalar|null>  $variables  the values in the message
     */
    public function __construct(
        public string $path,
        public ProblemCode $code,
        public string $message,
        public array $variables = [],
    ) {
    }

    public function under(string $prefix): self
    {
        $path = match (true) {
            $this->path === '' => $prefix,
            $prefix === '', str_starts_with($this->path, '[') => $prefix.$this->path,
            default => $prefix.'.'.$this->path,
        };

        return new self($path, $this->code, $this->message, $this->variables);
    }

    public function __toString(): string
    {
        return $this->path === '' ? $this->message : $this->path.': '.$this->message;
    }
}
