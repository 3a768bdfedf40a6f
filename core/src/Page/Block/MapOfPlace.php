<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind\Place;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * A map of a place: from a field of the page's record, `{"block": "map", "field": "place"}`, or entered by hand,
 * `{"block": "map", "place": {"address": "Mill Lane", "latitude": 50.61, "longitude": -3.52}}`.
 */
final readonly class MapOfPlace implements Block
{
    use Defaults;

    public const ZOOM = 7;

    private const MAX_ZOOM = 18;

    /**
     * @param  Field|null  $field  null if the place is entered by hand, or if the definition is invalid
     * @param  array<array-key, mixed>|null  $place  in the form of the field kind
     * @param  int  $zoom  the initial zoom: 0 is the whole world
     */
    private function __construct(
        public ?Field $field,
        public ?array $place,
        public int $zoom,
        private EmptyRule $empty,
    ) {
    }

    public static function key(): string
    {
        return 'map';
    }

    public static function label(): string
    {
        return 'Map of a place';
    }

    public static function begin(BlockSite $site): array
    {
        $field = $site->placeField();

        return ['block' => self::key()] + (
            $field === null
                ? ['place' => ['address' => '', 'latitude' => 0, 'longitude' => 0], 'zoom' => 1]
                : ['field' => $field->key]
        );
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $place = $shape->has('place') ? self::place($shape, $problems) : null;
        $field = $shape->has('place') ? null : self::field($shape, $problems, $type);
        $zoom = $shape->whole('zoom', self::ZOOM, 0, self::MAX_ZOOM);

        return new self($field, $place, $zoom, EmptyRule::read($shape, $problems, EmptyAction::ofBlocks()));
    }

    public static function optionSchemas(): array
    {
        return [
            'field' => ['type' => 'string'],
            'place' => (new Place)->schema(new Field('place', 'Place', new Place)),
            'zoom' => ['type' => 'integer', 'minimum' => 0, 'maximum' => self::MAX_ZOOM, 'default' => self::ZOOM],
            'empty' => ['$ref' => '#/$defs/empty'],
        ];
    }

    public function words(): string
    {
        $address = $this->place['address'] ?? null;

        return 'a map of '.($this->field->label ?? (is_string($address) ? $address : 'a place'));
    }

    public function scripts(): array
    {
        return ['map'];
    }

    public function references(string $at, array $types): array
    {
        return $this->field === null ? [] : [Reference::toField("{$at}.field", $this->field, $types)];
    }

    public function whenEmpty(): EmptyRule
    {
        return $this->empty;
    }

    public function toArray(): array
    {
        return ['block' => self::key()]
            + ($this->place === null ? ['field' => $this->field->key ?? ''] : ['place' => $this->place])
            + ($this->zoom === self::ZOOM ? [] : ['zoom' => $this->zoom])
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }

    private static function field(Shape $shape, Problems $problems, ?Type $type): ?Field
    {
        $key = $shape->text('field');
        $field = $type?->field($key);
        if ($field?->family() === Family::Place) {
            return $field;
        }
        $places = array_filter($type->fields ?? [], fn (Field $one): bool => $one->family() === Family::Place);
        $key === '' || $problems->add(
            $shape->at('field'),
            ProblemCode::WrongKind,
            'expected a field for a place of what the page is about ('.(
                implode(', ', array_keys($places)) ?: 'it has none'
            )."), found “{$key}”.",
        );

        return null;
    }

    /** @return array<array-key, mixed>|null */
    private static function place(Shape $shape, Problems $problems): ?array
    {
        try {
            $place = (new Place)->read($shape->raw('place'), new Field('place', 'Place', new Place));
            if (is_array($place) && isset($place['latitude'], $place['longitude'])) {
                return $place;
            }
            $why = 'expected a latitude and a longitude.';
        } catch (WrongValue $wrong) {
            $why = $wrong->getMessage();
        }
        $problems->add($shape->at('place'), ProblemCode::WrongValue, $why);

        return null;
    }
}
