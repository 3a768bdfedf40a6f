<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Time\CalendarUnit;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/** An archive: the months or years with items, by one of their dates, in the site's time zone. */
final readonly class Archive implements Source
{
    use Defaults;

    private Type $type;

    /**
     * @param  CalendarUnit  $per  month or year
     * @param  Field  $by  a date or an instant of the items
     */
    public function __construct(public Items $items, public CalendarUnit $per, public Field $by)
    {
        $this->type = new Type(
            $per->value, ucfirst($per->value), ucfirst($per->value).'s', '',
            [
                'begins' => new Field('begins', 'First day', new Kind\Date),
                'count' => new Field('count', 'Number of items', new Kind\Number('number')),
            ],
            base: [
                'title' => new Field('title', ucfirst($per->value), new Kind\Text, Origin::Item),
                'slug' => new Field('slug', 'Slug', new Kind\Text, Origin::Item),
            ],
        );
    }

    public static function keys(): array
    {
        return ['months', 'years'];
    }

    public static function starts(): array
    {
        return [
            self::start('months', 'Months'),
            self::start('years', 'Years'),
        ];
    }

    private static function start(string $key, string $label): SourceStart
    {
        return new SourceStart($key, $label, fn (string $type): array => [$key => [$type], 'by' => 'publish_at']);
    }

    public function startKey(): string
    {
        return "{$this->per->value}s";
    }

    public static function read(Shape $shape, SourceSite $site): ?self
    {
        $per = $shape->has('years') ? CalendarUnit::Year : CalendarUnit::Month;
        $types = $site->types($shape, "{$per->value}s");
        if ($types === null) {
            return null;
        }
        $items = new Items($types);
        $key = $shape->text('by', 'publish_at');
        $by = $items->type()->field($key);
        if ($by === null || ! in_array($by->family(), [Family::Date, Family::Instant], true)) {
            $shape->wrong('by', "a date of {$items->type()->plural}", $key);

            return null;
        }

        return new self($items, $per, $by);
    }

    public static function schemas(): array
    {
        return [
            [
                'type' => 'object',
                'additionalProperties' => false,
                'required' => ['months'],
                'properties' => [
                    'months' => ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string']],
                    'by' => ['type' => 'string'],
                ],
            ],
            [
                'type' => 'object',
                'additionalProperties' => false,
                'required' => ['years'],
                'properties' => [
                    'years' => ['type' => 'array', 'minItems' => 1, 'items' => ['type' => 'string']],
                    'by' => ['type' => 'string'],
                ],
            ],
        ];
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function typeKeys(): array
    {
        return $this->items->typeKeys();
    }

    /** The number of characters of a day that identify the month or the year: `2026-05`. */
    public function length(): int
    {
        return $this->per === CalendarUnit::Year ? 4 : 7;
    }

    public function accepts(string $kind): bool
    {
        return $kind === $this->type->key;
    }

    public function whyNot(Record $record, Context $context): string
    {
        return (int) $record->value($this->type->fields['count']) > 0
            ? '' : "None of {$this->items->type()->plural} that may be seen now lies in it, by {$this->by->label}.";
    }

    public function records(array $all, Context $context): array
    {
        $counts = [];
        foreach ($this->items->records($all, $context) as $item) {
            $value = $item->value($this->by);
            if (is_string($value)) {
                $key = substr(
                    $this->by->family() === Family::Date ? $value : $context->calendar->dayOf($value),
                    0,
                    $this->length(),
                );
                $counts[$key] = ($counts[$key] ?? 0) + 1;
            }
        }
        $records = [];
        foreach ($counts as $key => $count) {
            $records[] = $this->record((string) $key, $count, $context);
        }

        return $records;
    }

    /**
     * A month or a year, with or without items.
     *
     * @param  string  $slug  `2026-05`, or `2026` for years
     */
    public function record(string $slug, int $count, Context $context): Record
    {
        return new Record(
            (int) str_replace('-', '', $slug),
            $this->type->key,
            $slug,
            $context->calendar->named($slug),
            Status::Published,
            '0001-01-01T00:00:00Z',
            null,
            Audience::everyone(),
            ['begins' => str_pad($slug, 10, '-01'), 'count' => $count],
        );
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Periods;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->fields['begins'], descending: true);
    }

    public function about(): array
    {
        return [$this->per->value => $this->typeKeys(), 'by' => $this->by->key];
    }

    public function pieces(Format $format): array
    {
        return [
            new Piece("the {$this->per->value}s", 'source'),
            new Piece(' that hold '),
            new Piece($this->items->type()->plural, 'source.of'),
            new Piece(', by '), new Piece($this->by->label, 'source.by'),
        ];
    }

    public function toArray(): array
    {
        return ["{$this->per->value}s" => $this->typeKeys(), 'by' => $this->by->key];
    }

    public function references(string $at, array $types): array
    {
        return [Reference::toField("{$at}.by", $this->by, $this->typeKeys())];
    }
}
