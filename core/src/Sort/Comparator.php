<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;

/**
 * Sorts records: by heading, by each key in turn, then by the record's key, so that the order is total.
 */
final class Comparator
{
    /**
     * The number of characters that count when texts are sorted. Texts with the same beginning are sorted by their
     * keys.
     */
    public const LETTERS = 200;

    private \Collator $collator;

    /** @param  string  $locale the site's, such as `en-GB`; text sorts by CLDR, with numbers by value */
    public function __construct(string $locale)
    {
        $this->collator = new \Collator(self::icuLocale($locale));
    }

    /** The ICU locale for sorting text, here and in the database. */
    public static function icuLocale(string $locale): string
    {
        return str_replace('_', '-', $locale).'-u-kn-true';
    }

    /**
     * @param  list<Record>  $records
     * @param  list<SortKey>  $keys
     * @return list<Record>
     */
    public function sorted(array $records, array $keys, SortContext $context, ?Headings $headings = null): array
    {
        $values = array_map(fn (SortKey $key): \Closure => $key->by->values($context), $keys);
        $rows = array_map(fn (Record $record): array => [
            $record,
            $headings?->place($record, $context->context),
            array_map(fn (\Closure $value): mixed => $value($record), $values),
        ], $records);
        usort($rows, function (array $a, array $b) use ($keys, $headings): int {
            $by = $headings === null
                ? 0
                : $this->compare($a[1], $b[1], $headings->family(), $headings->direction, false);
            foreach ($by === 0 ? $keys : [] as $i => $key) {
                $by = $this->compare($a[2][$i], $b[2][$i], $key->by->family(), $key->direction, $key->emptyFirst);
                if ($by === 0 && $a[2][$i] === null) {
                    $by = $key->by->compareEmpty($a[0], $b[0]);
                }
                if ($by !== 0) {
                    break;
                }
            }

            return $by ?: $a[0]->key()->compareTo($b[0]->key());
        });

        return array_column($rows, 0);
    }

    private function compare(mixed $a, mixed $b, Family $family, Direction $direction, bool $emptyFirst): int
    {
        if ($a === null || $b === null) {
            $aFirst = ($a === null) === $emptyFirst;

            return $a === $b ? 0 : ($aFirst ? -1 : 1);
        }
        $up = match ($family) {
            Family::Text => $this->byText(is_string($a) ? $a : '', is_string($b) ? $b : ''),
            Family::Identity, Family::Date, Family::Instant => strcmp(is_string($a) ? $a : '', is_string($b) ? $b : ''),
            default => $a <=> $b,
        };

        return $direction === Direction::Up ? $up : -$up;
    }

    private static function beginning(string $text): string
    {
        return strlen($text) > self::LETTERS ? mb_substr($text, 0, self::LETTERS) : $text;
    }

    private function byText(string $a, string $b): int
    {
        $by = $this->collator->compare(self::beginning($a), self::beginning($b));

        return $by === false ? throw new \InvalidArgumentException('Text to be ordered must be UTF-8.') : $by;
    }
}
