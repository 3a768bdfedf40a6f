<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;

/** Puts records in order: the keys first to last, then the id, so that an order is always total. */
final class Comparator
{
    private \Collator $collator;

    /** @param  string  $locale the site's, such as `en-GB`; text sorts as CLDR says, numbers in it by value */
    public function __construct(string $locale)
    {
        $this->collator = new \Collator(self::icuLocale($locale));
    }

    /** The ICU locale that text is ordered by, here and in the database. */
    public static function icuLocale(string $locale): string
    {
        return str_replace('_', '-', $locale).'-u-kn-true';
    }

    /**
     * @param  list<SortKey>  $keys
     * @param  list<Record>  $records
     * @return list<Record>
     */
    public function sorted(array $records, array $keys): array
    {
        usort($records, function (Record $a, Record $b) use ($keys): int {
            foreach ($keys as $key) {
                $by = $this->byKey($a->value($key->field), $b->value($key->field), $key);
                if ($by !== 0) {
                    return $by;
                }
            }

            return $a->id <=> $b->id;
        });

        return $records;
    }

    private function byKey(mixed $a, mixed $b, SortKey $key): int
    {
        if ($a === null || $b === null) {
            $aFirst = ($a === null) === $key->emptyFirst;

            return $a === $b ? 0 : ($aFirst ? -1 : 1);
        }
        $up = $this->byValue($a, $b, $key->field);

        return $key->direction === Direction::Up ? $up : -$up;
    }

    private function byValue(mixed $a, mixed $b, Field $field): int
    {
        return match ($field->family()) {
            Family::Text => $this->byText(is_string($a) ? $a : '', is_string($b) ? $b : ''),
            Family::Choice => self::place($field, $a) <=> self::place($field, $b),
            default => $a <=> $b,
        };
    }

    private function byText(string $a, string $b): int
    {
        $by = $this->collator->compare($a, $b);

        return $by === false ? throw new \InvalidArgumentException('Text to be ordered must be UTF-8.') : $by;
    }

    private static function place(Field $field, mixed $choice): int
    {
        $place = array_search($choice, array_map(strval(...), array_keys($field->choices)), true);

        return $place === false ? count($field->choices) : $place;
    }
}
