<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Origin;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\Piece;

/**
 * Pages of the site: those below an address, or some by their addresses: `{"pages": {"under": "/garden"}}`. Pages with
 * a placeholder are excluded.
 */
final readonly class Pages implements Source
{
    use Defaults;

    public const KEY = 'pages';

    private Type $type;

    /**
     * @param  string|null  $under  address: only the pages below it
     * @param  list<string>  $only  addresses; none: all
     */
    public function __construct(public ?string $under = null, public array $only = [])
    {
        $this->type = new Type(
            self::KEY, 'Page', 'Pages', '',
            [
                'description' => new Field('description', 'Description', new Kind\Text),
                'picture' => new Field('picture', 'Picture', new Kind\Picture),
                'address' => new Field('address', 'Address', new Kind\Text),
                'depth' => new Field('depth', 'Depth in the tree', new Kind\Number('number')),
                'place' => new Field('place', 'Place in the tree', new Kind\Number('number')),
            ],
            base: [
                'title' => new Field('title', 'Title', new Kind\Text, Origin::Item),
                'slug' => new Field('slug', 'Key', new Kind\Text, Origin::Item),
                'text' => new Field('text', 'Text', new Kind\LongText, Origin::Item),
            ],
        );
    }

    public static function keys(): array
    {
        return [self::KEY];
    }

    public static function starts(): array
    {
        return [new SourceStart('pages', 'Pages', fn (): array => ['pages' => []])];
    }

    public static function read(Shape $shape, SourceSite $site): self
    {
        $pages = new Shape($shape->raw(self::KEY), 'source.pages', $site->problems, ['under', 'only']);
        $under = $pages->has('under') ? self::address($site, 'under', $pages->raw('under')) : null;
        $only = [];
        foreach ($pages->items('only') as $i => $address) {
            $only[] = self::address($site, "only[{$i}]", $address);
        }
        $pages->noOthers();

        return new self($under, array_values(array_filter($only)));
    }

    public static function schemas(): array
    {
        $address = ['type' => 'string', 'pattern' => '^/'];

        return [[
            'type' => 'object',
            'additionalProperties' => false,
            'required' => [self::KEY],
            'properties' => [
                self::KEY => [
                    'type' => 'object',
                    'additionalProperties' => false,
                    'properties' => ['under' => $address, 'only' => ['type' => 'array', 'items' => $address]],
                ],
            ],
        ]];
    }

    public function type(): Type
    {
        return $this->type;
    }

    public function typeKeys(): array
    {
        return [];
    }

    public function accepts(string $kind): bool
    {
        return $kind === self::KEY;
    }

    public function whyNot(Record $record, Context $context): string
    {
        $address = (string) $record->value($this->type->fields['address']);

        return match (true) {
            $this->under !== null && ! str_starts_with($address, rtrim($this->under, '/').'/')
                || $address === $this->under => "It is not below {$this->under}.",
            $this->only !== [] && ! in_array($address, $this->only, true) => 'It is not one of the chosen pages.',
            default => '',
        };
    }

    public function records(array $all, Context $context): array
    {
        return array_values(array_filter($all, fn (Record $record): bool => $this->contains($record, $context)));
    }

    public function recordsOf(): RecordsOf
    {
        return RecordsOf::Pages;
    }

    public function defaultOrder(): DefaultOrder
    {
        return new DefaultOrder($this->type->fields['place']);
    }

    public function addressOf(Record $record): string
    {
        return (string) $record->value($this->type->fields['address']);
    }

    public function pieces(Format $format): array
    {
        return [
            new Piece('pages', 'source'),
            ...$this->under === null ? [] : [new Piece(' below '), new Piece($this->under, 'source.under')],
            ...$this->only === [] ? [] : [new Piece(': '), new Piece(implode(', ', $this->only), 'source.only')],
        ];
    }

    public function toArray(): array
    {
        return [self::KEY => array_filter(
            ['under' => $this->under, 'only' => $this->only],
            fn (string|array|null $said): bool => $said !== null && $said !== [],
        )];
    }

    private static function address(SourceSite $site, string $at, mixed $address): ?string
    {
        if (is_string($address) && preg_match('~^/[^\s{}?#]*$~D', $address) === 1) {
            return $address;
        }
        $site->problems->add(
            "source.pages.{$at}",
            ProblemCode::WrongValue,
            'expected the address of one page, such as /garden, found '.Shape::describe($address).'.',
        );

        return null;
    }
}
