<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Brick\Math\BigDecimal;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/**
 * The Bayesian mean `(C·m + Σ ratings) / (C + n)`: a few high ratings do not beat many good ones. The type's field
 * `rating` is the mean of a record, `ratings` their number; `m` is the mean over all ratings of the source. Without any
 * rating in the source, all records are equal.
 */
final readonly class WeightedRating implements Criterion
{
    use Defaults;

    public const KEY = 'weightedRating';

    public const CONFIDENCE = 5;

    public const MOST = 100_000;

    private function __construct(public Field $rating, public Field $ratings, public int $confidence)
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

    public function values(SortContext $context): \Closure
    {
        [$sum, $count] = $this->total($context->source);
        if ($count <= 0.0) {
            return fn (Record $record): null => null;
        }
        $mean = $sum / $count;

        return function (Record $record) use ($mean): ?float {
            [$own, $n] = $this->total([$record]);

            // With `C` = 0, a record without ratings has no value.
            return $this->confidence + $n > 0.0 ? ($this->confidence * $mean + $own) / ($this->confidence + $n) : null;
        };
    }

    /**
     * @param  list<Record>  $records
     * @return array{float, float} the sum of all ratings and how many there are, added up exactly
     */
    private function total(array $records): array
    {
        $sum = $count = BigDecimal::zero();
        foreach ($records as $record) {
            $rating = $record->value($this->rating);
            $ratings = $record->value($this->ratings);
            if ((is_int($rating) || is_float($rating)) && (is_int($ratings) || is_float($ratings)) && $ratings > 0) {
                $n = BigDecimal::of(json_encode($ratings, JSON_THROW_ON_ERROR));
                $sum = $sum->plus(BigDecimal::of(json_encode($rating, JSON_THROW_ON_ERROR))->multipliedBy($n));
                $count = $count->plus($n);
            }
        }

        return [$sum->toFloat(), $count->toFloat()];
    }

    public function label(): string
    {
        return 'Weighted rating';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Down ? 'best first' : 'worst first';
    }

    /** Null if the type has no ratings. */
    public static function of(Type $type): ?self
    {
        [$rating, $ratings] = [$type->fields['rating'] ?? null, $type->fields['ratings'] ?? null];

        return $rating?->family() === Family::Number && $ratings?->family() === Family::Number
            ? new self($rating, $ratings, self::CONFIDENCE)
            : null;
    }

    public function read(Shape $shape, Type $type): self
    {
        $confidence = $shape->whole('confidence', self::CONFIDENCE, 0, self::MOST);

        return new self($this->rating, $this->ratings, $confidence);
    }

    public function options(): array
    {
        return ['confidence' => $this->confidence];
    }

    public static function optionSchemas(): array
    {
        return ['confidence' => ['type' => 'integer', 'minimum' => 0, 'maximum' => self::MOST]];
    }
}
