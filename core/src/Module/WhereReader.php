<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Filter\Join;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Reads a definition's conditions and groups. */
final readonly class WhereReader
{
    private const MAX_DEPTH = 8;

    private const MAX_MEMBERS = 100;

    public function __construct(private Type $type, private Problems $problems)
    {
    }

    public function group(mixed $data, string $path, int $depth): ?Group
    {
        $shape = new Shape($data, $path, $this->problems);
        $joins = array_values(array_filter(Join::cases(), fn (Join $join): bool => $shape->has($join->value)));
        $off = $shape->flag('off');
        $shape->noOthers();
        if (count($joins) !== 1) {
            if (is_array($data)) {
                $this->problems->add($path, 'wrongGroup', 'expected exactly one of all, any, none.');
            }

            return null;
        }
        if ($depth > self::MAX_DEPTH) {
            $this->problems->add($path, 'tooDeep', 'groups stand at most '.self::MAX_DEPTH.' deep in one another.');

            return null;
        }
        $given = $shape->items($joins[0]->value);
        if (count($given) > self::MAX_MEMBERS) {
            $shape->wrong($joins[0]->value, 'at most '.self::MAX_MEMBERS.' conditions', $given);

            return null;
        }
        $members = [];
        foreach ($given as $i => $member) {
            $at = Path::to($shape->at($joins[0]->value), $i);
            $isGroup = is_array($member) && array_intersect(array_keys($member), ['all', 'any', 'none']) !== [];
            $members[] = $isGroup ? $this->group($member, $at, $depth + 1) : $this->condition($member, $at);
        }

        return new Group($joins[0], array_values(array_filter($members)), $off);
    }

    private function condition(mixed $data, string $path): ?Condition
    {
        $shape = new Shape($data, $path, $this->problems);
        $key = $shape->text('field');
        $field = $this->type->field($key);
        if ($field === null) {
            if ($key !== '') {
                $this->problems->add($shape->at('field'), 'unknownField', "“{$key}” is not a field of {$this->type->key}; expected one of: ".implode(', ', array_keys($this->type->reachable)).'.', ['field' => $key]);
            }

            return null;
        }
        $tests = Tests::for($field->family());
        $keys = array_map(fn (Test $test): string => $test->key(), $tests);
        $test = Tests::find($shape->oneOf('test', $keys), $field->family());
        if ($test === null || $shape->raw('test') !== $test->key()) {
            return null;
        }
        $value = $test->wantsValue() ? $this->value($shape, $test, $field) : null;
        $below = $field->family() === Family::Terms && $test->wantsValue() && $shape->flag('below');
        $off = $shape->flag('off');
        $shape->noOthers();

        return new Condition($field, $test, $value, $below, $off);
    }

    private function value(Shape $shape, Test $test, Field $field): mixed
    {
        if (! $shape->has('value')) {
            $this->problems->add($shape->at('value'), 'missing', "is missing; the test {$test->key()} needs one.");

            return null;
        }
        try {
            return $test->readValue($shape->raw('value'), $field);
        } catch (WrongValue $wrong) {
            $this->problems->add($shape->at('value'), 'wrongValue', $wrong->getMessage());

            return null;
        }
    }
}
