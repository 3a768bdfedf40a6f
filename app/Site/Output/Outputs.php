<?php

declare(strict_types=1);

namespace App\Site\Output;

/** The register of outputs. */
final readonly class Outputs
{
    public const CLASSES = [HtmlOutput::class, JsonOutput::class, CardsOutput::class];

    /** @var array<string, Output> by key */
    private array $all;

    /** @param  iterable<Output>  $all */
    public function __construct(iterable $all)
    {
        $byKey = [];
        foreach ($all as $output) {
            $byKey[$output::key()] = $output;
        }
        $this->all = $byKey;
    }

    public function find(string $key): Output
    {
        return $this->all[$key] ?? throw new \LogicException("No output is called “{$key}”.");
    }
}
