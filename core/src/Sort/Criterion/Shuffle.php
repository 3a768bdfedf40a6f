<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** A random order, fixed for the module and the calendar day, the same on every page. */
final class Shuffle implements Criterion
{
    use Defaults;

    public const KEY = 'shuffle';

    public function key(): string
    {
        return self::KEY;
    }

    public function family(): Family
    {
        return Family::Identity;
    }

    public function goesUp(): bool
    {
        return true;
    }

    public function values(SortContext $context): \Closure
    {
        $salt = self::salt($context->module, $context->context);

        return fn (Record $record): string => md5($salt.$record->id);
    }

    public static function salt(string $module, Context $context): string
    {
        return "{$module} {$context->today()} ";
    }

    public function label(): string
    {
        return 'Shuffled anew each day';
    }

    public function directionWords(Direction $direction): string
    {
        return '';
    }

    public static function of(Type $type): self
    {
        return new self;
    }

    public function changesDaily(): bool
    {
        return true;
    }
}
