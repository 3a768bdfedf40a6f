<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** Items of one type, or of several with their common fields. */
final readonly class Items implements Source
{
    use ItemsOfTypes;

    /** @param  non-empty-list<Type>  $types */
    public function __construct(public array $types)
    {
        $this->shared = Type::shared($types);
    }

    public static function keys(): array
    {
        return ['items'];
    }

    public static function starts(): array
    {
        return [new SourceStart('items', 'Items', fn (string $type): array => ['items' => [$type]])];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $types = $site->types($shape, 'items');

        return $types === null ? null : new self($types);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['items'],
            'properties' => ['items' => ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string']]],
        ]];
    }

    public function whyNot(Record $record, Context $context): string
    {
        return '';
    }

    public function wholeType(): ?Type
    {
        return count($this->types) === 1 ? $this->types[0] : null;
    }

    public function pieces(Format $format): array
    {
        return [new Piece($this->shared->plural, 'source'), new Piece(' that are published')];
    }

    public function toArray(): array
    {
        return ['items' => $this->typeKeys()];
    }
}
