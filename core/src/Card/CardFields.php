<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\ConditionReader;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The fields and conditions that the parts of a card may use. */
final readonly class CardFields
{
    /** @var array<string, Field> by key; those reached through links, too, where the catalogue is known */
    public array $all;

    /** @param  array<string, Field>|null  $fields  null: only those of the type */
    public function __construct(public Type $type, private Problems $problems, ?array $fields = null)
    {
        $this->all = array_filter(
            $fields ?? $type->reachable,
            fn (Field $field): bool => ! in_array($field->family(), [Family::Identity, Family::Words], true),
        );
    }

    /**
     * The field with the key in the definition.
     *
     * @param  \Closure(Field): bool  $suits
     * @return Field|null null, and the problem noted, where it names none that suits
     */
    public function named(Shape $shape, string $key, \Closure $suits, string $expected): ?Field
    {
        $name = $shape->text($key);
        $field = $this->all[$name] ?? null;
        if ($field !== null && $suits($field)) {
            return $field;
        }
        if ($name !== '') {
            $fit = array_keys(array_filter(
                $this->all,
                fn (Field $field): bool => $field->through === null && $suits($field),
            ));
            $shape->wrong($key, "{$expected} of {$this->type->key} (".implode(', ', $fit).')', $name);
        }

        return null;
    }

    /**
     * A condition or a group under a key. Its values are fixed, because a card looks the same on every page and for
     * every visitor who may see the record.
     */
    public function rule(Shape $shape, string $key): Condition|Group|null
    {
        $reader = ConditionReader::ofFields($this->type, $this->all, $this->problems);
        $data = $shape->raw($key);
        $rule = $reader->rule($data, $shape->at($key));
        foreach ($rule instanceof Group ? $rule->conditions() : array_filter([$rule]) as $condition) {
            if ($condition->value instanceof DynamicValue) {
                $shape->wrong($key, 'conditions whose values are given, not taken from elsewhere', $data);

                return null;
            }
        }

        return $rule;
    }
}
