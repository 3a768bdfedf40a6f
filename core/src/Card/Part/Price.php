<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartPiece;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\Filled;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion\PriceNow;

/**
 * The current price in the site’s currency: the sale price inside its dates, otherwise the price. A sale price is
 * followed by the former price, and by a badge if the part has a text for it.
 */
final class Price implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'price';
    }

    public function label(): string
    {
        return 'Price';
    }

    public function options(): array
    {
        return [
            new Flag('former', 'With the former price', true),
            new Words('badge', 'Sale badge', hint: 'Sale'),
            Decimals::option(),
        ];
    }

    public function offers(Type $type): array
    {
        return self::isMoney($type->fields['price'] ?? null)
            ? [['label' => $this->label(), 'part' => ['part' => $this->key()]]]
            : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $type = $fields->type;
        $price = $type->fields['price'] ?? null;
        if (! self::isMoney($price)) {
            $shape->wrong(
                'part',
                "a part that {$type->plural} have; they have no field “price” of the kind money",
                'price',
            );

            return null;
        }
        $sale = PriceNow::of($type);

        return new PartContent(
            OptionValues::read($this->options(), $shape),
            $price,
            array_values(array_filter([$sale?->salePrice, $sale?->from, $sale?->until])),
        );
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $price = self::amount($part->fieldValue($record));
        $sale = self::isOnSale($part, $record, $context) ? self::amount(self::saleOf($part, $record)) : null;
        $now = $sale ?? $price;
        if ($now === null) {
            return null;
        }
        $decimals = Decimals::of($part);
        $money = fn (int|float $amount): string => $decimals->format($context->format, $amount)->money($amount);
        $isLess = $sale !== null && ($price === null || $sale < $price);

        return $sale === null ? PartValue::text($money($now)) : PartValue::pieces([
            new PartPiece($money($now), 'now'),
            ...$part->flag('former') && $isLess && $price !== null
                ? [new PartPiece($money($price), 'former')]
                : [],
            ...$part->option('badge') !== '' && $isLess ? [new PartPiece($part->option('badge'), 'badge')] : [],
        ]);
    }

    /** True for records with a price, or with only a sale price inside its dates. */
    public function presence(Part $part): Presence
    {
        [$price, $sale] = [$part->field, self::other($part, 'sale_price')];
        if ($price === null) {
            return Presence::never();
        }
        $ways = [Presence::filled($price)];
        if ($sale !== null) {
            $ways[] = Presence::all([
                Presence::filled($sale),
                self::day($part, 'sale_from', ['past' => null, 'current' => 'day']),
                self::day($part, 'sale_until', ['toCome' => null]),
            ]);
        }

        return Presence::any($ways);
    }

    public function changesDaily(Part $part): bool
    {
        return $part->others() !== [];
    }

    /** True if the part Price can show the field. */
    public static function isMoney(?Field $field): bool
    {
        return $field?->kind->key() === 'money';
    }

    private static function other(Part $part, string $key): ?Field
    {
        foreach ($part->others() as $field) {
            if ($field->key === $key) {
                return $field;
            }
        }

        return null;
    }

    private static function saleOf(Part $part, Record $record): mixed
    {
        $sale = self::other($part, 'sale_price');

        return $sale === null ? null : $record->value($sale);
    }

    private static function isOnSale(Part $part, Record $record, CardContext $context): bool
    {
        [$from, $until] = [self::other($part, 'sale_from'), self::other($part, 'sale_until')];
        $from = $from === null ? null : $record->value($from);
        $until = $until === null ? null : $record->value($until);
        $today = $context->context->today();

        return ($from === null || $from <= $today) && ($until === null || $today <= $until);
    }

    /**
     * @param  array<string, string|null>  $tests  tests with their values; one of them holds unless the day is empty
     */
    private static function day(Part $part, string $key, array $tests): Presence
    {
        $field = self::other($part, $key);
        if ($field === null) {
            return Presence::always();
        }
        $any = [Presence::where(new Condition($field, new Filled(false)))];
        foreach ($tests as $test => $value) {
            $found = Tests::find($test, Family::Date);
            if ($found !== null) {
                $read = $value === null ? null : $found->readValue($value, $field);
                $any[] = Presence::where(new Condition($field, $found, $read));
            }
        }

        return Presence::any($any);
    }

    private static function amount(mixed $value): int|float|null
    {
        return is_int($value) || is_float($value) ? $value : null;
    }
}
