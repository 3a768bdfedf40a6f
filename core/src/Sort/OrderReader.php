<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort;

use Wellspring\Core\Calendar\Stretch;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\Source;

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
        $byTitle = new SortKey(new By\FieldValue($this->source->type()->reachable['title']));
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
        $per = $isDay ? Stretch::from($shape->oneOf('per', array_column(Stretch::cases(), 'value'), 'month')) : null;
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
     * @return array<string, By> all that the source's records can be ordered by, as it stands where nothing more is
     *   said
     */
    public static function offered(Source $source): array
    {
        $type = $source->type();
        $all = [];
        foreach ($type->reachable as $field) {
            if ($field->family()->ordered()) {
                $all[$field->key] = new By\FieldValue($field);
            }
        }
        $others = $source->isItems() ? [
            By\PriceNow::of($type), new By\Popularity, By\WeightedRating::of($type), new By\ByHand,
            $type->taxonomies === [] ? null : new By\SharedTerms(array_map(strval(...), array_keys($type->taxonomies))),
            new By\Relevance,
        ] : [];
        foreach ([...array_filter($others), new By\Shuffle] as $by) {
            $all[$by->key()] = $by;
        }

        return $all;
    }

    private function by(string $key, Shape $shape): ?By
    {
        $by = self::offered($this->source)[$key] ?? null;
        $type = $this->source->type();

        return match (true) {
            $by instanceof By\Popularity => new By\Popularity(
                $shape->whole('days', By\Popularity::DAYS, 1, By\Popularity::MOST),
            ),
            $by instanceof By\WeightedRating => By\WeightedRating::of(
                $type,
                $shape->whole('confidence', By\WeightedRating::CONFIDENCE, 0, By\WeightedRating::MOST),
            ),
            $by instanceof By\ByHand => new By\ByHand($this->term($shape, $type)),
            $by instanceof By\SharedTerms => new By\SharedTerms($this->taxonomies($shape, $by)),
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
    private function taxonomies(Shape $shape, By\SharedTerms $all): array
    {
        $given = $shape->has('of') ? $shape->slugs('of') : [];
        if (array_diff($given, $all->taxonomies) !== []) {
            $shape->wrong('of', 'taxonomies ('.implode(', ', $all->taxonomies).')', $shape->raw('of'));
        }

        return $given === [] ? $all->taxonomies : $given;
    }
}
