<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Text\ControlCharacters;
use Wellspring\Core\Text\Whitespace;

/**
 * What a visitor has chosen, as the page's address says it, for all modules of the page: `shade-light=half,full`. What
 * a parameter means is said by the offer that it answers; here it is text.
 */
final readonly class Choices
{
    /** A longer value of a parameter is none that an offer writes. */
    private const MAX_LENGTH = 2000;

    /** @param  array<array-key, string>  $said  by parameter */
    private function __construct(private array $said = [])
    {
    }

    public static function none(): self
    {
        return new self;
    }

    /**
     * Reads the parameters of an address. What is no plain text (a list, bytes that are not UTF-8, control characters)
     * or is too long says nothing.
     *
     * @param  array<array-key, mixed>  $parameters  by name, decoded
     */
    public static function fromAddress(array $parameters): self
    {
        $said = [];
        foreach ($parameters as $name => $value) {
            if (
                is_string($value)
                && strlen($value) <= self::MAX_LENGTH
                && mb_check_encoding($value, 'UTF-8')
                && ! ControlCharacters::areIn($value)
                && ! Whitespace::isAll($value)
            ) {
                $said[$name] = Whitespace::trim($value);
            }
        }

        return new self($said);
    }

    /** @return string|null what the parameter says, never empty; null where it says nothing */
    public function value(string $parameter): ?string
    {
        return $this->said[$parameter] ?? null;
    }
}
