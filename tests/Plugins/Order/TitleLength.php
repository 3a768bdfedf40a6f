<?php

declare(strict_types=1);

namespace Tests\Plugins\Order;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Criterion\Defaults;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** A criterion: how long the title is. */
final class TitleLength implements Criterion
{
    use Defaults;

    public const KEY = 'titleLength';

    public static function of(Type $type): self
    {
        return new self;
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
        return true;
    }

    public function values(SortContext $context): \Closure
    {
        return fn (Record $record): int => mb_strlen($record->title);
    }

    public function label(): string
    {
        return 'Length of the title';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Up ? 'shortest first' : 'longest first';
    }
}
