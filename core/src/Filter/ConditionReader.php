<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Value\DynamicValue;
use Wellspring\Core\Filter\Value\FromAddress;
use Wellspring\Core\Filter\Value\FromPage;
use Wellspring\Core\Filter\Value\FromViewer;
use Wellspring\Core\Filter\Value\SubjectPart;
use Wellspring\Core\Filter\Value\WhenMissing;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Reads a definition's conditions and groups. */
final readonly class ConditionReader
{
    private const MAX_DEPTH = 8;

    private const MAX_MEMBERS = 100;

    /**
     * @param  array<string, Field>  $fields  the fields that conditions may use, by key
     * @param  array<string, Field>  $pageFields  the fields of the items that pages are about, by key and family
     */
    private function __construct(
        private Type $type,
        private array $fields,
        private array $pageFields,
        private Problems $problems,
    ) {
    }

    public static function for(Type $type, Catalogue $catalogue, Problems $problems): self
    {
        $pageFields = [];
        foreach ($catalogue->types as $other) {
            foreach ($other->reachable as $field) {
                $pageFields["{$field->key} {$field->family()->value}"] ??= $field;
            }
        }

        return new self($type, $catalogue->askable($type), $pageFields, $problems);
    }

    /**
     * For conditions with fixed values, which do not read the page.
     *
     * @param  array<string, Field>  $fields  the fields that they may use, by key
     */
    public static function ofFields(Type $type, array $fields, Problems $problems): self
    {
        return new self($type, $fields, [], $problems);
    }

    public function group(mixed $data, string $path, int $depth): ?Group
    {
        $shape = new Shape($data, $path, $this->problems, [...array_column(Join::cases(), 'value'), 'off']);
        $joins = array_values(array_filter(Join::cases(), fn (Join $join): bool => $shape->has($join->value)));
        $off = $shape->flag('off');
        $shape->noOthers();
        if (count($joins) !== 1) {
            if (is_array($data)) {
                $this->problems->add($path, ProblemCode::WrongGroup, 'expected exactly one of all, any, none.');
            }

            return null;
        }
        if ($depth > self::MAX_DEPTH) {
            $this->problems->add(
                $path,
                ProblemCode::TooDeep,
                'expected groups that stand at most '.self::MAX_DEPTH.' deep in one another.',
            );

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
            $members[] = $this->problems->part(
                $at,
                fn (): Condition|Group|null => $this->rule($member, $at, $depth + 1),
                new Group(off: true),
            );
        }

        return new Group($joins[0], $members, $off);
    }

    /** Reads a condition, or a group. */
    public function rule(mixed $data, string $path, int $depth = 1): Condition|Group|null
    {
        return is_array($data) && array_intersect(array_keys($data), array_column(Join::cases(), 'value')) !== []
            ? $this->group($data, $path, $depth)
            : $this->condition($data, $path);
    }

    public function condition(mixed $data, string $path): ?Condition
    {
        $shape = new Shape($data, $path, $this->problems, ['field', 'test', 'off']);
        $key = $shape->text('field');
        $field = $this->fields[$key] ?? null;
        if ($field === null) {
            if ($key !== '') {
                $this->problems->add(
                    $shape->at('field'),
                    ProblemCode::UnknownField,
                    "“{$key}” is not a field of {$this->type->key}; expected one of: "
                        .implode(', ', array_keys($this->fields)).'.',
                    ['field' => $key],
                );
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
        $takes = $value instanceof DynamicValue || $test->asksRecord();
        $whenMissing = $takes && $shape->has('whenMissing')
            ? WhenMissing::from($shape->oneOf('whenMissing', ['keepAll', 'keepNone']))
            : null;
        $options = $test->readOptions($shape, $field, $this->type, $this->problems);
        $shape->noOthers();

        return new Condition($field, $test, $value, $below, $off, $whenMissing, options: $options);
    }

    private function value(Shape $shape, Test $test, Field $field): mixed
    {
        if (! $shape->has('value')) {
            $this->problems->add(
                $shape->at('value'),
                ProblemCode::Missing,
                "is missing; the test {$test->key()} needs one.",
            );

            return null;
        }
        $given = $shape->raw('value');
        if (is_array($given) && array_key_exists('from', $given)) {
            return $this->asked(new Shape($given, $shape->at('value'), $this->problems), $test, $field);
        }
        try {
            return $test->readValue($shape->raw('value'), $field);
        } catch (WrongValue $wrong) {
            $this->problems->add($shape->at('value'), ProblemCode::WrongValue, $wrong->getMessage());

            return null;
        }
    }

    /** Reads a value that comes from the page, the viewer or the address. */
    private function asked(Shape $shape, Test $test, Field $field): ?DynamicValue
    {
        $shape->oneOf('from', $test->valueOrigins($field) ?: ['nothing: this test takes a given value']);
        $asked = match (in_array($shape->raw('from'), $test->valueOrigins($field), true) ? $shape->raw('from') : null) {
            'page' => $this->fromPage($shape, $test, $field),
            'viewer' => new FromViewer,
            'address' => new FromAddress($shape->text('name', 'q')),
            default => null,
        };
        if ($asked !== null) {
            $shape->noOthers();
        }

        return $asked;
    }

    /** @return list<SubjectPart> what of the page a test of the field can take */
    public static function takes(Field $field): array
    {
        return match ($field->family()) {
            Family::Terms => [SubjectPart::Term, SubjectPart::Item],
            Family::Person => [SubjectPart::Person, SubjectPart::Item],
            Family::Date, Family::Instant => [SubjectPart::Month, SubjectPart::Item],
            default => [SubjectPart::Item],
        };
    }

    private function fromPage(Shape $shape, Test $test, Field $field): ?FromPage
    {
        $takes = array_map(fn (SubjectPart $take): string => $take->value, self::takes($field));
        $take = SubjectPart::from($shape->oneOf('take', $takes));
        if ($take !== SubjectPart::Item || ! $shape->has('of')) {
            $of = $take === SubjectPart::Term && $shape->has('of') ? $shape->text('of') : null;
            if ($of !== null && $of !== $field->ownKey()) {
                $shape->wrong('of', "the taxonomy of the field, {$field->ownKey()}", $of);
            }
            if ($take === SubjectPart::Item && $field->family() !== Family::Items) {
                $shape->wrong('of', 'the field of the item whose value is taken', null);
            }

            return new FromPage($take);
        }
        $key = $shape->text('of');
        $of = $this->pageFields["{$key} {$field->family()->value}"] ?? null;
        if ($of === null) {
            $shape->wrong('of', "a field like {$field->label} of the item being shown", $key);

            return null;
        }

        return new FromPage($take, $of);
    }
}
