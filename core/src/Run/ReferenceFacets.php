<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Choice\Counting;
use Wellspring\Core\Choice\Facet;
use Wellspring\Core\Choice\FacetRange;
use Wellspring\Core\Choice\OfferedFilter;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundGroup;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Module\BoundModule;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Wording\Format;

/** The options of a module's filters, counted record by record. Tests compare the counts of the database with them. */
final readonly class ReferenceFacets
{
    public function __construct(private Format $format)
    {
    }

    /**
     * @param  list<Record>  $records  all records of the site: items of any type and state, terms, people
     * @return list<Facet> in the order of the offer
     */
    public function of(Module $module, array $records, Context $context): array
    {
        $module = $module->bound($context);
        $cards = new CardContext($context, $this->format);
        $seen = array_map(
            fn (Record $record): Record => $record->seenThrough($context->visibility()),
            $module->source->records($records, $context),
        );
        // Steps 1 to 5 without the visitor's choices, pins included.
        $listed = array_filter($seen, fn (Record $record): bool => (
            in_array($record->slug, $module->pin, true) || ($module->where?->keeps($record, $context) ?? true)
        ) && ! in_array($record->slug, $module->leaveOut, true) && $module->shownCard->isListed($record, $cards));

        return array_map(
            fn (OfferedFilter $filter): Facet => $this->facet($filter, $module, array_values($listed), $context),
            $module->offer->filters ?? [],
        );
    }

    /** @param  list<Record>  $listed */
    private function facet(OfferedFilter $filter, BoundModule $module, array $listed, Context $context): Facet
    {
        $chosen = $module->chosen->of($filter);
        $others = $module->chosen->without($filter)->rule() ?? new BoundGroup;
        $left = array_values(
            array_filter($listed, fn (Record $record): bool => $others->keeps($record, $context)),
        );
        $narrowed = $filter->join === Quantifier::All && $chosen !== null
            ? array_values(array_filter($left, fn (Record $record): bool => $chosen->rule->keeps($record, $context)))
            : $left;
        $counting = $filter->control->counting();
        $counts = [];
        foreach ($counting === Counting::Nothing ? [] : array_keys($filter->options()) as $option) {
            $rule = $filter->ruleOf((string) $option, $context);
            $counts[$option] = count(
                array_filter($narrowed, fn (Record $record): bool => $rule->keeps($record, $context)),
            );
        }

        return new Facet($filter, $chosen, $counts, match ($counting) {
            Counting::Numbers => self::numbers($left, $filter->field),
            Counting::Days => self::days($left, $filter->field, $context),
            default => null,
        }, count($left));
    }

    /** @param  list<Record>  $records */
    private static function numbers(array $records, Field $field): ?FacetRange
    {
        $values = [];
        foreach ($records as $record) {
            $value = $record->value($field);
            if (is_int($value) || is_float($value)) {
                $values[] = BigDecimal::of((string) json_encode($value));
            }
        }
        if ($values === []) {
            return null;
        }
        [$least, $greatest] = [BigDecimal::min(...$values), BigDecimal::max(...$values)];
        $counts = [];
        foreach ($values as $value) {
            $bar = $least->isEqualTo($greatest) ? 0 : min(FacetRange::BARS - 1, BigRational::of($value->minus($least))
                ->multipliedBy(FacetRange::BARS)
                ->dividedBy($greatest->minus($least))
                ->toScale(0, RoundingMode::DOWN)
                ->toInt());
            $counts[$bar] = ($counts[$bar] ?? 0) + 1;
        }

        return FacetRange::ofNumbers($least->toFloat(), $greatest->toFloat(), $counts);
    }

    /** @param  list<Record>  $records */
    private static function days(array $records, Field $field, Context $context): ?FacetRange
    {
        $days = [];
        foreach ($records as $record) {
            $value = $record->value($field);
            if (is_string($value)) {
                $days[] = $field->family() === Family::Date ? $value : $context->calendar->dayOf($value);
            }
        }

        return $days === [] ? null : FacetRange::ofDays(array_count_values($days), $context->calendar);
    }
}
