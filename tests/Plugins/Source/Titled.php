<?php

declare(strict_types=1);

namespace Tests\Plugins\Source;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\DefaultOrder;
use Wellspring\Core\Source\Defaults;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Source\SourceSite;
use Wellspring\Core\Source\SourceStart;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** A source: items of a type whose titles begin with a letter. */
final readonly class Titled implements Source
{
    use Defaults;

    public function __construct(private Type $type, public string $letter)
    {
    }

    public static function keys(): array
    {
        return ['titled'];
    }

    public static function starts(): array
    {
        return [new SourceStart(
            'titled',
            'Items under a letter',
            fn (string $type): array => ['titled' => 'A', 'type' => $type],
            [new Words('titled', 'First letter', 'A')],
        )];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $type = $site->type($shape);

        return $type === null ? null : new self($type, $shape->text('titled'));
    }

    public static function schemas(): array
    {
        return [['type' => 'object', 'required' => ['titled', 'type']]];
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
        return str_starts_with($record->title, $this->letter) ? '' : "Its title does not begin with {$this->letter}.";
    }

    public function records(array $all, Context $context): array
    {
        return array_values(array_filter($all, fn (Record $record): bool => $this->contains($record, $context)));
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Items;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->reachable['title']);
    }

    public function pieces(Format $format): array
    {
        return [new Piece("{$this->type->plural} under {$this->letter}", 'source')];
    }

    public function toArray(): array
    {
        return ['titled' => $this->letter, 'type' => $this->type->key];
    }
}
