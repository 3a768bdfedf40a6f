<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** Thrown when input is invalid. It contains every problem, not only the first. */
final class Refused extends \DomainException
{
    /** @param  non-empty-list<Problem>  $problems */
    public function __construct(public readonly array $problems)
    {
        parent::__construct(implode("\n", array_map(strval(...), $problems)));
    }

    /** @param  array<string, scalar|null>  $variables */
    public static function because(string $path, ProblemCode $code, string $message, array $variables = []): self
    {
        return new self([new Problem($path, $code, $message, $variables)]);
    }
}
