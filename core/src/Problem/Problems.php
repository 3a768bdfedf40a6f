<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** Collects problems while input is read. */
final class Problems
{
    /** Maximum number of reported problems; further ones are only counted. */
    private const TOLD = 200;

    /** @var list<Problem> */
    private array $found = [];

    private int $untold = 0;

    /** @var list<string> places of the parts that were set aside */
    private array $aside = [];

    /** The number of problems outside the parts that were set aside. */
    private int $outside = 0;

    /** @param  array<string, scalar|null>  $variables */
    public function add(string $path, ProblemCode $code, string $message, array $variables = []): void
    {
        $this->tell(new Problem($path, $code, $message, $variables));
    }

    private function tell(Problem $problem): void
    {
        count($this->found) < self::TOLD ? $this->found[] = $problem : $this->untold++;
        $this->outside++;
    }

    /** @param  list<Problem>  $problems */
    public function merge(array $problems): void
    {
        array_map($this->tell(...), $problems);
    }

    public function take(Refused $refused, string $prefix): void
    {
        foreach ($refused->problems as $problem) {
            $this->tell($problem->under($prefix));
        }
    }

    /**
     * Reads a part of the input, such as one of many rules. If the part has problems, it is set aside and replaced by a
     * placeholder, so that the rest can be used without it.
     *
     * @template T
     *
     * @param  string  $path  the path of the part
     * @param  \Closure(): (T|null)  $read
     * @param  T  $standIn
     * @return T
     */
    public function part(string $path, \Closure $read, mixed $standIn): mixed
    {
        $before = $this->outside;
        $part = $read();
        if ($this->outside > $before) {
            $this->outside = $before;
            $this->aside[] = $path;

            return $standIn;
        }

        return $part ?? $standIn;
    }

    /** @return list<string> places of the parts that were set aside, in the order in which they were read */
    public function aside(): array
    {
        return $this->aside;
    }

    /** @throws Refused when anything was found outside the parts that were set aside */
    public function refuseIfAnyOutside(): void
    {
        if ($this->outside > 0) {
            $this->refuseIfAny();
        }
    }

    /** @return list<Problem> */
    public function all(): array
    {
        return $this->untold === 0 ? $this->found : [
            ...$this->found,
            new Problem('', ProblemCode::TooMany, number_format($this->untold).' more problems are not listed.'),
        ];
    }

    /** @throws Refused when anything was found */
    public function refuseIfAny(): void
    {
        $all = $this->all();
        if ($all !== []) {
            throw new Refused($all);
        }
    }
}
