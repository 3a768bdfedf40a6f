<?php

declare(strict_types=1);

namespace Wellspring\Core\Sort\Criterion;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Test\Related;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Sort\Criterion;
use Wellspring\Core\Sort\Direction;
use Wellspring\Core\Sort\SortContext;

/** The number of terms that a record shares with the page's item. */
final readonly class SharedTerms implements Criterion
{
    use Defaults;

    public const KEY = 'sharedTerms';

    /** @param  list<string>  $taxonomies  keys */
    public function __construct(public array $taxonomies)
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
        return fn (Record $record): int => Related::shared($record, $this->taxonomies, $context->context);
    }

    public function label(): string
    {
        return 'Terms shared with the one being shown';
    }

    public function directionWords(Direction $direction): string
    {
        return $direction === Direction::Down ? 'most first' : 'fewest first';
    }

    /** Null if the type has no taxonomies. */
    public static function of(Type $type): ?self
    {
        return $type->taxonomies === [] ? null : new self(array_map(strval(...), array_keys($type->taxonomies)));
    }

    public function read(Shape $shape, Type $type): self
    {
        $given = $shape->has('of') ? $shape->slugs('of') : [];
        if (array_diff($given, $this->taxonomies) !== []) {
            $shape->wrong('of', 'taxonomies ('.implode(', ', $this->taxonomies).')', $shape->raw('of'));
        }

        return $given === [] ? $this : new self($given);
    }

    public function options(): array
    {
        return ['of' => $this->taxonomies];
    }

    public static function optionSchemas(): array
    {
        return ['of' => ['type' => 'array', 'items' => ['type' => 'string']]];
    }
}
