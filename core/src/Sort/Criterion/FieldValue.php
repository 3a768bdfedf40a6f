<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** Sorts by a field. */
final readonly class FieldValue implements Criterion
{
    use Defaults;

    public function __construct(public Field $field)
    {
    }

    public function key(): string
    {
        return $this->field->key;
    }

    public function family(): Family
    {
        return $this->field->family();
    }

    public function goesUp(): bool
    {
        return true;
    }

    public function values(SortContext $context): \Closure
    {
        if ($this->family() !== Family::Choice) {
            return fn (Record $record): mixed => $record->value($this->field);
        }
        $places = array_flip(array_map(strval(...), array_keys($this->field->choices)));

        return function (Record $record) use ($places): ?int {
            $value = $record->value($this->field);

            return is_string($value) ? $places[$value] ?? count($places) : null;
        };
    }

    public function label(): string
    {
        return $this->field->label;
    }

    public function directionWords(Direction $direction): string
    {
        // Dates of the site, such as the publish date, are new or old; other dates are early or late.
        $isDay = $this->family() === Family::Date || $this->family() === Family::Instant;

        return $isDay && $this->field->origin === Origin::Type
            ? ($direction === Direction::Up ? 'earliest first' : 'latest first')
            : $direction->words($this->family());
    }

    public function references(string $at, array $types): array
    {
        return [Reference::toField("{$at}.by", $this->field, $types)];
    }

    /** Criteria offers each field separately. */
    public static function of(Type $type): null
    {
        return null;
    }

    public function usesIndex(): bool
    {
        return ! $this->countsViews();
    }

    public function countsViews(): bool
    {
        return $this->field->key === 'views';
    }
}
