<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** The manager's own order, within the type or within one term. Records without a position come last, newest first. */
final readonly class ManualOrder implements Criterion
{
    use Defaults;

    public const KEY = 'byHand';

    /** @param  array{taxonomy: string, slug: string, name: string}|null  $term */
    public function __construct(public ?array $term = null)
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
        return true;
    }

    public function values(SortContext $context): \Closure
    {
        $within = $this->term === null ? '' : "{$this->term['taxonomy']}/{$this->term['slug']}";

        return fn (Record $record): ?int => $record->place($within);
    }

    public function label(): string
    {
        return 'Own order, by hand'.($this->term === null ? '' : ", as in {$this->term['name']}");
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Up ? '' : 'last first';
    }

    public function references(string $at, array $types): array
    {
        return $this->term === null
            ? []
            : [Reference::toTerm("{$at}.term", $this->term['taxonomy'], $this->term['slug'])];
    }

    public static function of(Type $type): self
    {
        return new self;
    }

    public function read(Shape $shape, Type $type): self
    {
        if (! $shape->has('of') && ! $shape->has('term')) {
            return $this;
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
            ? $this
            : new self(['taxonomy' => $taxonomy->key, 'slug' => $term->slug, 'name' => $term->name]);
    }

    public function options(): array
    {
        return $this->term === null ? [] : ['of' => $this->term['taxonomy'], 'term' => $this->term['slug']];
    }

    public static function optionSchemas(): array
    {
        return ['of' => ['type' => 'string'], 'term' => ['type' => 'string']];
    }

    /** Of two records without a position, the newer one comes first. */
    public function compareEmpty(Record $a, Record $b): int
    {
        return strcmp((string) $b->publishAt, (string) $a->publishAt);
    }
}
