<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * Fields of the page's record in full: pictures as pictures, a video with its player, a long text as text, all others
 * in a list with their labels: `{"block": "field", "fields": ["light", "height"]}`.
 */
final readonly class Fields implements Block
{
    use Defaults;

    /** @param  list<Field>  $fields  empty if the definition is invalid */
    public function __construct(public array $fields, private EmptyRule $empty = new EmptyRule)
    {
    }

    public static function key(): string
    {
        return 'field';
    }

    public static function label(): string
    {
        return 'Fields';
    }

    public static function begin(BlockSite $site): ?array
    {
        return $site->about === null ? null : ['block' => self::key(), 'fields' => ['title']];
    }

    public static function whyNone(): string
    {
        return BlockSite::ONE_OF_MANY;
    }

    /**
     * The default fields of an item's page: the type's own fields and its terms, no internal ones.
     *
     * @return list<Field>
     */
    public static function ofType(Type $type): array
    {
        return array_values($type->fields + array_intersect_key($type->reachable, $type->taxonomies));
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        if ($type === null) {
            $problems->add(
                $shape->at('block'),
                ProblemCode::WrongValue,
                'expected fields only on a page that is about terms, items, months or people.',
            );
            $shape->raw('fields');

            return new self([]);
        }
        $fields = [];
        foreach ($shape->slugs('fields') as $i => $key) {
            $field = $type->field($key);
            $fields[] = $field;
            if ($field === null) {
                $problems->add(
                    Path::to($shape->at('fields'), $i),
                    ProblemCode::WrongValue,
                    "expected a field of {$type->key} (".implode(', ', array_keys($type->reachable))
                        ."), found “{$key}”.",
                );
            }
        }
        if ($fields === []) {
            $shape->wrong('fields', 'at least one field', $shape->raw('fields'));
        }

        return new self(
            array_values(array_filter($fields)),
            EmptyRule::read($shape, $problems, EmptyAction::ofBlocks()),
        );
    }

    public static function optionSchemas(): array
    {
        return [
            'fields' => ['type' => 'array', 'items' => ['type' => 'string'], 'minItems' => 1],
            'empty' => ['$ref' => '#/$defs/empty'],
        ];
    }

    public function words(): string
    {
        return implode(', ', array_map(
            fn (Field $field): string => mb_strtolower(mb_substr($field->label, 0, 1)).mb_substr($field->label, 1),
            $this->fields,
        ));
    }

    public function references(string $at, array $types): array
    {
        return array_map(
            fn (Field $field, int $i): Reference => Reference::toField("{$at}.fields[{$i}]", $field, $types),
            $this->fields,
            array_keys($this->fields),
        );
    }

    public function whenEmpty(): EmptyRule
    {
        return $this->empty;
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'fields' => array_map(
            fn (Field $field): string => $field->key,
            $this->fields,
        )] + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }
}
