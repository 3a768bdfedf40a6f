<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** One fault in something that was read: where it stands, what is wrong and what was expected. */
final readonly class Problem
{
    /**
     * @param  string  $path  the place, written as it would be reached: `where.all[1].value`; empty for the whole
     * @param  array<string, scalar|null>  $variables  the values that the message speaks of
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
