<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Time\CalendarUnit;

/** Reads what records are ordered by, and the headings they stand under. */
final readonly class OrderReader
{
    private const MAX_KEYS = 8;

    public function __construct(private Source $source, private Problems $problems)
    {
    }

    /** @return list<SortKey> */
    public function keys(Shape $definition): array
    {
        $given = $definition->items('order');
        if (count($given) > self::MAX_KEYS) {
            $definition->wrong('order', 'at most '.self::MAX_KEYS.' keys', $given);
        }
        $byTitle = new SortKey(new Criterion\FieldValue($this->source->type()->reachable['title']));
        $keys = [];
        foreach (array_slice($given, 0, self::MAX_KEYS) as $i => $data) {
            $keys[] = $this->problems->part(
                "order[{$i}]",
                fn (): ?SortKey => $this->one(new Shape($data, "order[{$i}]", $this->problems)),
                $byTitle,
            );
        }

        return $keys;
    }

    private function one(Shape $shape): ?SortKey
    {
        $key = $shape->text('by');
        $by = $key === '' ? null : $this->by($key, $shape);
        $direction = Direction::from($shape->oneOf('direction', ['up', 'down'], 'up'));
        $emptyFirst = $shape->oneOf('empty', ['last', 'first'], 'last') === 'first';
        if ($by === null) {
            if ($key !== '') {
                $shape->wrong(
                    'by',
                    'what '.$this->source->type()->plural.' can be ordered by ('
                        .implode(', ', array_keys(self::offered($this->source))).')',
                    $key,
                );
            }

            return null;
        }
        $shape->noOthers();

        return new SortKey($by, $direction, $emptyFirst);
    }

    public function headings(Shape $definition): ?Headings
    {
        if (! $definition->has('headings')) {
            return null;
        }
        $shape = new Shape($definition->raw('headings'), 'headings', $this->problems);
        $fields = array_filter(
            $this->source->type()->reachable,
            fn (Field $field): bool => Headings::suits($field->family()),
        );
        $key = $shape->text('by');
        $field = $fields[$key] ?? null;
        $direction = Direction::from($shape->oneOf('direction', ['up', 'down'], 'up'));
        $isDay = $field?->family() === Family::Date || $field?->family() === Family::Instant;
        $per = $isDay ? CalendarUnit::from($shape->oneOf('per', array_column(CalendarUnit::cases(), 'value'), 'month')) : null;
        if ($field === null) {
            if ($key !== '') {
                $shape->wrong('by', 'a field that makes headings ('.implode(', ', array_keys($fields)).')', $key);
            }

            return null;
        }
        $shape->noOthers();

        return new Headings($field, $per, $direction);
    }

    /**
     * @return array<string, Criterion> all that the source's records can be ordered by, as it stands where nothing more is
     *   said
     */
    public static function offered(Source $source): array
    {
        $type = $source->type();
        $all = [];
        foreach ($type->reachable as $field) {
            if ($field->family()->ordered()) {
                $all[$field->key] = new Criterion\FieldValue($field);
            }
        }
        $others = $source->isItems() ? [
            Criterion\PriceNow::of($type), new Criterion\Popularity, Criterion\WeightedRating::of($type), new Criterion\ManualOrder,
            $type->taxonomies === [] ? null : new Criterion\SharedTerms(array_map(strval(...), array_keys($type->taxonomies))),
            new Criterion\Relevance,
        ] : [];
        foreach ([...array_filter($others), new Criterion\Shuffle] as $by) {
            $all[$by->key()] = $by;
        }

        return $all;
    }

    private function by(string $key, Shape $shape): ?Criterion
    {
        $by = self::offered($this->source)[$key] ?? null;
        $type = $this->source->type();

        return match (true) {
            $by instanceof Criterion\Popularity => new Criterion\Popularity(
                $shape->whole('days', Criterion\Popularity::DAYS, 1, Criterion\Popularity::MOST),
            ),
            $by instanceof Criterion\WeightedRating => Criterion\WeightedRating::of(
                $type,
                $shape->whole('confidence', Criterion\WeightedRating::CONFIDENCE, 0, Criterion\WeightedRating::MOST),
            ),
            $by instanceof Criterion\ManualOrder => new Criterion\ManualOrder($this->term($shape, $type)),
            $by instanceof Criterion\SharedTerms => new Criterion\SharedTerms($this->taxonomies($shape, $by)),
            default => $by,
        };
    }

    /** @return array{taxonomy: string, slug: string, name: string}|null */
    private function term(Shape $shape, Type $type): ?array
    {
        if (! $shape->has('of') && ! $shape->has('term')) {
            return null;
        }
        $taxonomy = $type->taxonomies[$shape->text('of')] ?? null;
        $term = $taxonomy?->terms->find($shape->text('term'));
        if ($taxonomy === null) {
            $shape->wrong(
                'of',
                "a taxonomy of {$type->plural} (".implode(', ', array_keys($type->taxonomies)).')',
                $shape->raw('of'),
            );
        } elseif ($term === null) {
            $shape->wrong('term', "the slug of a term of {$taxonomy->label}", $shape->raw('term'));
        }

        return $taxonomy === null || $term === null
            ? null
            : ['taxonomy' => $taxonomy->key, 'slug' => $term->slug, 'name' => $term->name];
    }

    /** @return list<string> */
    private function taxonomies(Shape $shape, Criterion\SharedTerms $all): array
    {
        $given = $shape->has('of') ? $shape->slugs('of') : [];
        if (array_diff($given, $all->taxonomies) !== []) {
            $shape->wrong('of', 'taxonomies ('.implode(', ', $all->taxonomies).')', $shape->raw('of'));
        }

        return $given === [] ? $all->taxonomies : $given;
    }
}
