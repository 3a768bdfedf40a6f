<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A map around the place that a field says, of what the page is about: `{"block": "map", "field": "place"}`. */
final readonly class MapOfPlace implements Block
{
    use Defaults;

    /** @param  Field|null  $field  null where the definition is refused */
    public function __construct(public ?Field $field, private EmptyRule $empty = new EmptyRule)
    {
    }

    public static function key(): string
    {
        return 'map';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $key = $shape->text('field');
        $field = $type?->field($key);
        if ($field?->family() !== Family::Place) {
            $places = array_filter($type->fields ?? [], fn (Field $one): bool => $one->family() === Family::Place);
            $key === '' || $problems->add(
                $shape->at('field'),
                ProblemCode::WrongKind,
                'expected a field for a place of what the page is about ('.(
                    implode(', ', array_keys($places)) ?: 'it has none'
                )."), found “{$key}”.",
            );
            $field = null;
        }

        return new self($field, EmptyRule::read($shape, $problems, EmptyAction::ofBlocks()));
    }

    public static function optionSchemas(): array
    {
        return ['field' => ['type' => 'string'], 'empty' => ['$ref' => '#/$defs/empty']];
    }

    public function words(): string
    {
        return 'a map of '.($this->field->label ?? 'a place');
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
        return ['block' => self::key(), 'field' => $this->field->key ?? '']
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }
}
