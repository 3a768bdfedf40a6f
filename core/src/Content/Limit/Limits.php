<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Limit;

use Wellspring\Core\Content\WrongValue;

/** The limits of a field's values; null if a limit is not set. */
final readonly class Limits
{
    /**
     * @param  int|null  $decimals  maximum number of decimals
     * @param  int|null  $minLength  characters
     * @param  int|null  $maxLength  characters
     * @param  string|null  $pattern  a regular expression that must match somewhere in the text, like JSON Schema's
     *   `pattern`
     * @param  string|null  $earliest  a day `Y-m-d`; for an instant, its day in UTC
     * @param  string|null  $latest  a day like `earliest`
     * @param  string|null  $rangeFrom  key of the field that begins the range; this field ends it, so its value must
     *   not be earlier
     * @param  int|null  $maxItems  maximum length of a list
     */
    public function __construct(
        public int|float|null $minimum = null,
        public int|float|null $maximum = null,
        public ?int $decimals = null,
        public ?int $minLength = null,
        public ?int $maxLength = null,
        public ?string $pattern = null,
        public ?string $earliest = null,
        public ?string $latest = null,
        public ?string $rangeFrom = null,
        public ?int $maxItems = null,
    ) {
    }

    /** @throws WrongValue */
    public function holdText(string $text, int $mostOtherwise): void
    {
        $length = mb_strlen($text);
        $most = $this->maxLength ?? $mostOtherwise;
        if ($length > $most) {
            throw new WrongValue("expected at most {$most} characters, found {$length}.");
        }
        if ($this->minLength !== null && $length < $this->minLength) {
            throw new WrongValue("expected at least {$this->minLength} characters, found {$length}.");
        }
        if ($this->pattern !== null && @preg_match(self::delimited($this->pattern), $text) !== 1) {
            throw WrongValue::expected("text that fits the pattern {$this->pattern}", $text);
        }
    }

    /**
     * @param  string  $day  `Y-m-d…`
     *
     * @throws WrongValue
     */
    public function holdDay(string $day): void
    {
        $on = substr($day, 0, 10);
        if ($this->earliest !== null && $on < $this->earliest) {
            throw WrongValue::expected("a day from {$this->earliest} on", $on);
        }
        if ($this->latest !== null && $on > $this->latest) {
            throw WrongValue::expected("a day up to {$this->latest}", $on);
        }
    }

    /**
     * @param  list<mixed>  $values
     *
     * @throws WrongValue
     */
    public function holdCount(array $values): void
    {
        if ($this->maxItems !== null && count($values) > $this->maxItems) {
            throw new WrongValue("expected at most {$this->maxItems}, found ".count($values).'.');
        }
    }

    public static function isPattern(string $pattern): bool
    {
        return @preg_match(self::delimited($pattern), '') !== false;
    }

    private static function delimited(string $pattern): string
    {
        // No pattern contains this character, so no escaping is needed; text files cannot contain it.
        return "\x01".$pattern."\x01u";
    }
}
