<?php

declare(strict_types=1);

namespace Wellspring\Core\Card\Part;

use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\CardFields;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\PartContent;
use Wellspring\Core\Card\PartKind;
use Wellspring\Core\Card\PartValue;
use Wellspring\Core\Card\Presence;
use Wellspring\Core\Card\RuleOption;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Problem\Shape;

/** A few words on records that fulfil a rule: “New” for a number of days, “Few left”. */
final class Badge implements PartKind
{
    use Defaults;

    public function key(): string
    {
        return 'badge';
    }

    public function label(): string
    {
        return 'Badge';
    }

    private const NEW_DAYS = 30;

    private const FEW = 5;

    public function options(): array
    {
        return [
            new Words('text', 'Words', null, longest: 60),
            new RuleOption('when', 'Where'),
            new OneOf('tone', 'Tone', ['accent' => 'Accent', 'strong' => 'Strong', 'quiet' => 'Quiet'], 'accent'),
        ];
    }

    public function offers(Type $type): array
    {
        $offer = fn (string $text, array $when): array => [
            'label' => "Badge: {$text}",
            'part' => ['part' => $this->key(), 'text' => $text, 'when' => $when],
        ];
        $isNumber = fn (string $key): bool => ($type->fields[$key] ?? null)?->family() === Family::Number;

        return isset($type->reachable['publish_at'], $type->reachable['lead']) ? [
            $offer('New', [
                'field' => 'publish_at',
                'test' => 'inLast',
                'value' => ['amount' => self::NEW_DAYS, 'unit' => 'days'],
            ]),
            $offer('Lead', ['field' => 'lead', 'test' => 'yes']),
            ...$isNumber('stock')
                ? [$offer('Few left', ['field' => 'stock', 'test' => 'between', 'value' => [1, self::FEW]])]
                : [],
        ] : [];
    }

    public function read(Shape $shape, CardFields $fields): ?PartContent
    {
        $values = OptionValues::read($this->options(), $shape);
        if (! $shape->has('when')) {
            $shape->wrong('when', 'a condition or a group of them', null);

            return null;
        }
        $rule = $fields->rule($shape, 'when');

        return $rule === null ? null : new PartContent($values, rule: $rule);
    }

    public function show(Part $part, Record $record, CardContext $context): ?PartValue
    {
        $holds = $part->rule?->bound($context->context)->keeps($record, $context->context) ?? false;

        return $holds ? PartValue::text($part->option('text')) : null;
    }

    public function presence(Part $part): Presence
    {
        return $part->rule === null ? Presence::never() : Presence::where($part->rule);
    }

    public function canBeFilledIn(): bool
    {
        return false;
    }

    public function fields(Part $part): array
    {
        return array_map(fn (Condition $condition): Field => $condition->field, $this->conditions($part));
    }

    public function conditions(Part $part): array
    {
        return match (true) {
            $part->rule instanceof Group => $part->rule->conditions(),
            $part->rule instanceof Condition => [$part->rule],
            default => [],
        };
    }

    public function words(Part $part): string
    {
        return "badge “{$part->option('text')}”";
    }

    /** @return list<Reference> */
    public function references(Part $part, string $at, array $types): array
    {
        return $part->rule?->references("{$at}.when", $types) ?? [];
    }
}
