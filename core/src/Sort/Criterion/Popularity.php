<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Wording\Duration;

/** The number of views in the last days, up to and including today. */
final readonly class Popularity implements Criterion
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
        return [$context->calendar->movedDay($context->today(), 1 - $this->days, DurationUnit::Days), $context->today()];
    }

    public function values(SortContext $ordering): \Closure
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
        return 'Views in the last '.Duration::words($this->days, DurationUnit::Days);
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
