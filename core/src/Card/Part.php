<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Empty\Level;
use Wellspring\Core\Empty\Node;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Group;
use Wellspring\Core\Wording\Format;

/** One part of a card's line. */
final readonly class Part
{
    /** The field that it shows; null if it shows none. */
    public ?Field $field;

    /** The condition for showing the part; null if the part always shows. */
    public Condition|Group|null $rule;

    public function __construct(
        public PartKind $kind,
        private PartContent $content,
        public EmptyRule $empty,
        public PartStyle $style,
    ) {
        $this->field = $content->field;
        $this->rule = $content->rule;
    }

    /** A whole-number option of its kind. */
    public function number(string $option): int
    {
        return $this->content->values->number($option);
    }

    /** A text option of its kind; empty if not set. */
    public function option(string $option): string
    {
        return $this->content->values->text($option);
    }

    public function flag(string $option): bool
    {
        return $this->content->values->flag($option);
    }

    /** @return list<Field> what it asks of a record beside its field */
    public function others(): array
    {
        return $this->content->others;
    }

    /** The part's value for the record, before the empty-value rule; null if the value is empty. */
    public function value(Record $record, CardContext $context): ?PartValue
    {
        return $this->kind->show($this, $record, $context);
    }

    /** A field of the record as the site writes it. */
    public function fieldText(Record $record, Format $format): ?string
    {
        return $this->field?->display($this->fieldValue($record), $format, $record->names($this->field));
    }

    /** The record's value of its field; for a field through links, the first value of a linked record. */
    public function fieldValue(Record $record): mixed
    {
        return $this->field === null ? null : self::valueOf($this->field, $record);
    }

    public static function valueOf(Field $field, Record $record): mixed
    {
        if ($field->through === null) {
            return $record->value($field);
        }
        foreach ($record->reached($field->through) as $other) {
            if ($other->value($field) !== null) {
                return $other->value($field);
            }
        }

        return null;
    }

    /** @return Node<RenderedPart> what it shows, or what its empty-value rule shows instead or takes away */
    public function node(Record $record, CardContext $context): Node
    {
        $value = $this->value($record, $context);
        if ($value !== null) {
            return Node::leaf(Level::Part, new RenderedPart($this, $this->kind, $value));
        }
        $rule = $this->empty;
        $instead = fn (Shows $shows, string $text = ''): Node => Node::leaf(
            Level::Part,
            new RenderedPart($this, $this->kind, null, $shows, $text),
        );

        return match ($rule->do) {
            EmptyAction::Say => $instead(Shows::Said, $rule->text),
            EmptyAction::StandIn => $instead(Shows::StandIn, $rule->picture),
            EmptyAction::KeepSpace => $instead(Shows::Space),
            EmptyAction::Use => $this->substituted($record, $context),
            default => Node::emptyLeaf(Level::Part, $rule->do->level() ?? Level::Part),
        };
    }

    /** @return Node<RenderedPart> */
    private function substituted(Record $record, CardContext $context): Node
    {
        $node = $this->substitute()?->node($record, $context) ?? Node::emptyLeaf(Level::Part, Level::Part);

        return $node->content === null ? $node : Node::leaf(Level::Part, $node->content->insteadOf($this));
    }

    /** The records for which the part has a value of its own. */
    public function presence(): Presence
    {
        return $this->kind->presence($this);
    }

    /** The records for which the part shows anything, the empty-value rule included. */
    public function isShown(): Presence
    {
        return match ($this->empty->do) {
            EmptyAction::Say, EmptyAction::StandIn, EmptyAction::KeepSpace => Presence::always(),
            EmptyAction::Use => Presence::any([
                $this->presence(),
                ...array_filter([$this->substitute()?->isShown()]),
            ]),
            default => $this->presence(),
        };
    }

    /** The records for which the part removes the given level or a larger one. */
    public function takes(Level $level): Presence
    {
        $then = match (true) {
            $this->empty->do === EmptyAction::Use => $this->substitute()?->takes($level) ?? Presence::never(),
            ($this->empty->do->level()->value ?? -1) >= $level->value => Presence::always(),
            default => Presence::never(),
        };

        return Presence::all([$this->presence()->not(), $then]);
    }

    /** @return list<Field> all that it asks of a record, its empty-value rule included */
    public function fields(): array
    {
        return [
            ...$this->field === null ? [] : [$this->field],
            ...$this->kind->fields($this),
            ...array_map(fn (Condition $condition): Field => $condition->field, $this->conditions()),
            ...$this->substitute()?->fields() ?? [],
        ];
    }

    /** @return list<Condition> */
    public function conditions(): array
    {
        return [...$this->kind->conditions($this), ...$this->substitute()?->conditions() ?? []];
    }

    public function changesDaily(): bool
    {
        return $this->kind->changesDaily($this) || ($this->substitute()?->changesDaily() ?? false);
    }

    /**
     * @param  string  $at  its place in the definition
     * @param  list<string>  $types  keys of the content types whose items the module lists
     * @return list<Reference>
     */
    public function references(string $at, array $types): array
    {
        $all = $this->kind->references($this, $at, $types);
        for ($rule = $this->empty, $place = "{$at}.empty"; $rule !== null; $rule = $rule->then, $place .= '.then') {
            if ($rule->field !== null) {
                $all[] = Reference::toField("{$place}.field", $rule->field, $types);
            }
        }

        return $all;
    }

    public function words(): string
    {
        return $this->kind->words($this);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['part' => $this->kind->key()]
            + $this->content->values->said()
            + $this->style->toArray()
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }

    /** The part that shows another field instead, with its own empty-value rule. */
    private function substitute(): ?self
    {
        $field = $this->empty->field;
        if ($field === null) {
            return null;
        }
        $kind = $field->family()->isPicture() ? new Part\Picture : new Part\FieldValue;

        return new self($kind, $kind->of($field), $this->empty->then ?? new EmptyRule, $this->style);
    }
}
