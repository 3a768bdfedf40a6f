<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** One item, picked by hand. */
final readonly class OneItem implements Source
{
    use Defaults;

    public function __construct(public Type $type, public string $slug)
    {
    }

    public static function keys(): array
    {
        return ['one'];
    }

    public static function starts(): array
    {
        return [new SourceStart('one', 'One item by hand', fn (string $type): array => ['one' => '', 'type' => $type])];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $type = $site->type($shape);
        $slug = $shape->text('one');
        if ($slug !== '' && ! Slug::isOne($slug)) {
            $shape->wrong('one', 'the slug of an item', $slug);
        }

        return $type === null ? null : new self($type, $slug);
    }

    public static function schemas(): array
    {
        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => ['one', 'type'],
            'properties' => ['one' => ['type' => 'string'], 'type' => ['type' => 'string']],
        ]];
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function typeKeys(): array
    {
        return [$this->type->key];
    }

    public function accepts(string $kind): bool
    {
        return $kind === $this->type->key;
    }

    public function whyNot(Record $record, Context $context): string
    {
        return $record->slug === $this->slug
            ? ''
            : "The module takes “{$this->slug}” alone, and this is “{$record->slug}”.";
    }

    public function records(array $all, Context $context): array
    {
        return array_values(array_filter($all, fn (Record $record): bool => $this->contains($record, $context)));
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Items;
    }

    public function namedItems(): array
    {
        return ["{$this->type->key}/{$this->slug}"];
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->reachable['publish_at'], descending: true);
    }

    public function pieces(Format $format): array
    {
        return [
            new Piece('the '.lcfirst($this->type->label).' “'),
            new Piece($format->title("{$this->type->key}/{$this->slug}"), 'source'),
            new Piece('”'),
        ];
    }

    public function toArray(): array
    {
        return ['one' => $this->slug, 'type' => $this->type->key];
    }
}
