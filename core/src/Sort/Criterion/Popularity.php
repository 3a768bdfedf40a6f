<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;
use Wellspring\Core\Time\DurationUnit;
use Wellspring\Core\Wording\Duration;

/** The number of views in the last days, including today. */
final readonly class Popularity implements Criterion
{
    use Defaults;

    public const KEY = 'popularity';

    public const DAYS = 30;

    public const MOST = 3660;

    public function __construct(public int $days = self::DAYS)
    {
    }

    public function key(): string
    {
        return self::KEY;
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
        return [
            $context->calendar->movedDay($context->today(), 1 - $this->days, DurationUnit::Days),
            $context->today(),
        ];
    }

    public function values(SortContext $context): \Closure
    {
        [$first, $last] = $this->days($context->context);

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

    public static function of(Type $type): self
    {
        return new self;
    }

    public function read(Shape $shape, Type $type): self
    {
        return new self($shape->whole('days', self::DAYS, 1, self::MOST));
    }

    public function options(): array
    {
        return ['days' => $this->days];
    }

    public static function optionSchemas(): array
    {
        return ['days' => ['type' => 'integer', 'minimum' => 1, 'maximum' => self::MOST]];
    }

    public function countsViews(): bool
    {
        return true;
    }
}
