<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/**
 * The current price: the sale price inside its dates, otherwise the price. The type's fields `price` and `sale_price`
 * are money; `sale_from` and `sale_until`, if it has them, are days, both of which belong to the sale.
 */
final readonly class PriceNow implements Criterion
{
    use Defaults;

    public const KEY = 'priceNow';

    private function __construct(
        public Field $price,
        public Field $salePrice,
        public ?Field $from,
        public ?Field $until,
    ) {
    }

    /** Null if the type has no prices. */
    public static function of(Type $type): ?self
    {
        $field = fn (string $key, Family $family): ?Field => ($type->fields[$key] ?? null)?->family() === $family
            ? $type->fields[$key]
            : null;
        [$price, $sale] = [$field('price', Family::Number), $field('sale_price', Family::Number)];

        return $price === null || $sale === null
            ? null
            : new self($price, $sale, $field('sale_from', Family::Date), $field('sale_until', Family::Date));
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
        return fn (Record $record): mixed => $this->onSale($record, $context->context)
            ? $record->value($this->salePrice) ?? $record->value($this->price)
            : $record->value($this->price);
    }

    private function onSale(Record $record, Context $context): bool
    {
        $from = $this->from === null ? null : $record->value($this->from);
        $until = $this->until === null ? null : $record->value($this->until);

        return ($from === null || $from <= $context->today()) && ($until === null || $context->today() <= $until);
    }

    public function label(): string
    {
        return 'Price asked now';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction->words(Family::Number);
    }

    public function changesDaily(): bool
    {
        return true;
    }
}
