<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Time\CalendarUnit;

/** Reads the sort keys and the headings of a definition. */
final readonly class OrderReader
{
    private const MAX_KEYS = 8;

    public function __construct(private Source $source, private Problems $problems)
    {
    }

    /** @return list<SortKey> */
    public function keys(Shape $definition): array
    {
        $given = $definition->items('order');
        if (count($given) > self::MAX_KEYS) {
            $definition->wrong('order', 'at most '.self::MAX_KEYS.' keys', $given);
        }
        $byTitle = new SortKey(new Criterion\FieldValue($this->source->type()->reachable['title']));
        $keys = [];
        foreach (array_slice($given, 0, self::MAX_KEYS) as $i => $data) {
            $at = Path::to($definition->at('order'), $i);
            $keys[] = $this->problems->part(
                $at,
                fn (): ?SortKey => $this->one(new Shape($data, $at, $this->problems, ['by', 'direction', 'empty'])),
                $byTitle,
            );
        }

        return $keys;
    }

    private function one(Shape $shape): ?SortKey
    {
        $key = $shape->text('by');
        $by = (Criteria::offered($this->source)[$key] ?? null)?->read($shape, $this->source->type());
        $direction = Direction::from($shape->oneOf('direction', ['up', 'down'], 'up'));
        $emptyFirst = $shape->oneOf('empty', ['last', 'first'], 'last') === 'first';
        if ($by === null) {
            if ($key !== '') {
                $shape->wrong(
                    'by',
                    'what '.$this->source->type()->plural.' can be ordered by ('
                        .implode(', ', array_keys(Criteria::offered($this->source))).')',
                    $key,
                );
            }

            return null;
        }
        $shape->noOthers();

        return new SortKey($by, $direction, $emptyFirst);
    }

    public function headings(Shape $definition): ?Headings
    {
        if (! $definition->has('headings')) {
            return null;
        }
        $shape = new Shape($definition->raw('headings'), 'headings', $this->problems, ['by', 'direction']);
        $fields = array_filter(
            $this->source->type()->reachable,
            fn (Field $field): bool => Headings::suits($field->family()),
        );
        $key = $shape->text('by');
        $field = $fields[$key] ?? null;
        $direction = Direction::from($shape->oneOf('direction', ['up', 'down'], 'up'));
        $isDay = $field?->family() === Family::Date || $field?->family() === Family::Instant;
        $per = $isDay
            ? CalendarUnit::from($shape->oneOf('per', array_column(CalendarUnit::cases(), 'value'), 'month'))
            : null;
        if ($field === null) {
            if ($key !== '') {
                $shape->wrong('by', 'a field that makes headings ('.implode(', ', array_keys($fields)).')', $key);
            }

            return null;
        }
        $shape->noOthers();

        return new Headings($field, $per, $direction);
    }
}
