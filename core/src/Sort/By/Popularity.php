<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\By;

use Wellspring\Core\Calendar\Unit;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Run\Context;
use Wellspring\Core\Sort\By;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\Ordering;

/** The number of views in the last days, up to and including today. */
final readonly class Popularity implements By
{
    public const DAYS = 30;

    public const MOST = 3660;

    public function __construct(public int $days = self::DAYS)
    {
    }

    public function key(): string
    {
        return 'popularity';
    }

    public function family(): Family
    {
        return Family::Number;
    }

    public function goesUp(): bool
    {
        return false;
    }

    /** @return array{string, string} the first and the last day whose views count */
    public function days(Context $context): array
    {
        return [$context->calendar->movedDay($context->today(), 1 - $this->days, Unit::Days), $context->today()];
    }

    public function values(Ordering $ordering): \Closure
    {
        [$first, $last] = $this->days($ordering->context);

        return fn (Record $record): int => array_sum(array_filter(
            $record->viewsByDay,
            fn (string $day): bool => $day >= $first && $day <= $last,
            ARRAY_FILTER_USE_KEY,
        ));
    }

    public function label(): string
    {
        return 'Views in the last '.Unit::Days->words($this->days);
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Down ? 'most first' : 'fewest first';
    }

    public function options(): array
    {
        return ['days' => $this->days];
    }
}
