<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Limit;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Problem\Shape;

/** Reads the keywords of a field's limits in a type file, and adds problems at their place. */
final readonly class LimitReader
{
    /**
     * @param  Shape  $schema  the field's JSON Schema
     * @param  Shape  $own  its part under `x-wellspring`
     */
    public function __construct(public Shape $schema, public Shape $own)
    {
    }

    /** @return array{int|float|null, int|float|null} `minimum` and `maximum` */
    public function numbers(): array
    {
        [$minimum, $maximum] = [$this->schema->numberOrNull('minimum'), $this->schema->numberOrNull('maximum')];
        if ($minimum !== null && $maximum !== null && $minimum > $maximum) {
            $this->schema->wrong('maximum', 'a number that is not below the minimum', $maximum);
        }

        return [$minimum, $maximum];
    }

    /** @return array{int|null, int|null} `minLength` and `maxLength`, characters */
    public function lengths(): array
    {
        [$minimum, $maximum] = [$this->schema->wholeOrNull('minLength', 1, 100_000), $this->maxLength()];
        if ($minimum !== null && $maximum !== null && $minimum > $maximum) {
            $this->schema->wrong('maxLength', 'a length that is not below minLength', $maximum);
        }

        return [$minimum, $maximum];
    }

    public function maxLength(): ?int
    {
        return $this->schema->wholeOrNull('maxLength', 1, 100_000);
    }

    public function pattern(): ?string
    {
        $pattern = $this->schema->has('pattern') ? $this->schema->text('pattern') : null;
        if ($pattern !== null && ! Limits::isPattern($pattern)) {
            $this->schema->wrong('pattern', 'a regular expression', $pattern);
        }

        return $pattern;
    }

    /** @return array{string|null, string|null} `earliest` and `latest`, `Y-m-d` */
    public function days(): array
    {
        [$earliest, $latest] = [$this->day('earliest'), $this->day('latest')];
        if ($earliest !== null && $latest !== null && $earliest > $latest) {
            $this->own->wrong('latest', 'a day that is not before the earliest', $latest);
        }

        return [$earliest, $latest];
    }

    /** @return string|null the key of the field that a range begins with; this field ends it */
    public function rangeFrom(): ?string
    {
        return $this->own->has('rangeFrom') ? $this->own->text('rangeFrom') : null;
    }

    public function maxItems(): ?int
    {
        return $this->schema->wholeOrNull('maxItems', 1, 1000);
    }

    private function day(string $word): ?string
    {
        if (! $this->own->has($word)) {
            return null;
        }
        try {
            return (new Kind\Date)->read($this->own->raw($word), new Field('day', 'Day', new Kind\Date));
        } catch (WrongValue) {
            $this->own->wrong($word, 'a day such as 2026-05-01', $this->own->raw($word));

            return null;
        }
    }
}
