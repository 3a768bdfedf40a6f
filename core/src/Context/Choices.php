<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Text\ControlCharacters;
use Wellspring\Core\Text\Whitespace;

/**
 * The visitor's choices from the page's address, for all modules of the page: `shade-light=half,full`. The offers
 * interpret the parameters; here they are text.
 */
final readonly class Choices
{
    /** Maximum length of a parameter. No offer writes a longer one. */
    private const MAX_LENGTH = 2000;

    /** @param  array<array-key, string>  $said  values by parameter */
    private function __construct(private array $said = [])
    {
    }

    public static function none(): self
    {
        return new self;
    }

    /**
     * Reads the parameters of an address. Values that are not plain text (lists, invalid UTF-8, control characters) or
     * too long are ignored.
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
