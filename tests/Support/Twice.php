<?php

declare(strict_types=1);

namespace Tests\Support;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Source\DefaultOrder;
use Wellspring\Core\Source\Defaults;
use Wellspring\Core\Source\Items;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Source\Source;
use Wellspring\Core\Source\SourceSite;
use Wellspring\Core\Source\SourceStart;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** A source whose records repeat an id: each item stands when it is published, and again a day later. */
final readonly class Twice implements Source
{
    use Defaults;

    private function __construct(private Items $items)
    {
    }

    public static function keys(): array
    {
        return ['twice'];
    }

    public static function starts(): array
    {
        return [new SourceStart(
            'twice',
            'Items, twice',
            fn (string $type): array => ['twice' => [$type]],
        )];
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $types = $site->types($shape, 'twice');

        return $types === null ? null : new self(new Items($types));
    }

    public static function schemas(): array
    {
        return [['type' => 'object', 'required' => ['twice']]];
    }

    public function type(): Type
    {
        return $this->items->type();
    }

    public function typeKeys(): array
    {
        return $this->items->typeKeys();
    }

    public function accepts(string $kind): bool
    {
        return $this->items->accepts($kind);
    }

    public function whyNot(Record $record, Context $context): string
    {
        return '';
    }

    public function records(array $all, Context $context): array
    {
        return array_merge(...array_map(self::occurrences(...), $this->items->records($all, $context)));
    }

    /** @return list<Record> both of an item that is published at some time */
    public static function occurrences(Record $record): array
    {
        $second = (new \DateTimeImmutable((string) $record->publishAt))->modify('+24 hours');

        return $record->publishAt === null
            ? []
            : [$record->startingAt($record->publishAt), $record->startingAt(Iso8601::format($second))];
    }

    public function hasOccurrences(): bool
    {
        return true;
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Items;
    }

    public function defaultOrder(): DefaultOrder
    {
        return $this->items->defaultOrder();
    }

    public function pieces(Format $format): array
    {
        return [new Piece("{$this->type()->plural}, each twice", 'source')];
    }

    public function toArray(): array
    {
        return ['twice' => $this->typeKeys()];
    }
}
