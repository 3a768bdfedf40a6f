<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The empty-value rule of a part. */
final readonly class EmptyRule
{
    /** Maximum number of fields that are tried one after the other. */
    private const MAX_DEPTH = 5;

    /**
     * @param  string  $text  of `say`
     * @param  Field|null  $field  of `use`
     * @param  string  $picture  of `standIn`: a file's name
     * @param  self|null  $then  for `use`: the rule if that field is empty as well; null: the part is left out
     */
    public function __construct(
        public EmptyAction $do = EmptyAction::LeaveOut,
        public string $text = '',
        public ?Field $field = null,
        public string $picture = '',
        public ?self $then = null,
    ) {
    }

    /**
     * Reads the rule of a part under `empty`; by default the part is left out.
     *
     * @param  non-empty-list<EmptyAction>  $actions  the allowed actions
     * @param  array<string, Field>  $fields  the fields that can be shown instead, by key
     */
    public static function read(Shape $part, Problems $problems, array $actions, array $fields = []): self
    {
        return $part->has('empty') ? self::of($part->inner('empty', ['do']), $actions, $fields, 1) : new self;
    }

    /**
     * @param  non-empty-list<EmptyAction>  $actions
     * @param  array<string, Field>  $fields
     */
    private static function of(Shape $rule, array $actions, array $fields, int $depth): self
    {
        $do = EmptyAction::from($rule->oneOf('do', array_column($actions, 'value')));
        $text = $do === EmptyAction::Say ? $rule->text('text') : '';
        $picture = $do === EmptyAction::StandIn ? $rule->text('picture') : '';
        $field = $do === EmptyAction::Use ? self::field($rule, $fields) : null;
        $then = $do === EmptyAction::Use && $rule->has('then') ? $rule->raw('then') : null;
        if ($then !== null && $depth >= self::MAX_DEPTH) {
            $rule->wrong('then', 'at most '.self::MAX_DEPTH.' fields one after the other', $then);
            $then = null;
        }
        $next = $then === null ? null : self::of($rule->inner('then', ['do']), $actions, $fields, $depth + 1);
        $rule->noOthers();

        return new self($field === null && $do === EmptyAction::Use ? EmptyAction::LeaveOut : $do, $text, $field,
            $picture, $next);
    }

    /** @param  array<string, Field>  $fields */
    private static function field(Shape $rule, array $fields): ?Field
    {
        $suit = array_filter(
            $fields,
            fn (Field $field): bool => $field->family()->readsAsText() || $field->family()->isPicture(),
        );
        $key = $rule->text('field');
        if ($key !== '' && ! isset($suit[$key])) {
            $own = array_filter($suit, fn (Field $field): bool => $field->through === null);
            $rule->wrong('field', 'a field to show instead ('.implode(', ', array_keys($own)).')', $key);
        }

        return $suit[$key] ?? null;
    }

    /** The effect in words, after the part's name: “price says “Ask””. */
    public function words(): string
    {
        return match ($this->do) {
            EmptyAction::LeaveOut => 'is left out',
            EmptyAction::LeaveOutLine => 'drops its line',
            EmptyAction::LeaveOutCard => 'drops its card',
            EmptyAction::LeaveOutModule => 'drops the module',
            EmptyAction::LeaveOutSlot => 'drops the slot',
            EmptyAction::LeaveOutBand => 'drops the band',
            EmptyAction::Say => "says “{$this->text}”",
            EmptyAction::Use => 'shows '.lcfirst($this->field->label ?? 'another field').' instead'
                .($this->then === null ? '' : ", which {$this->then->words()}"),
            EmptyAction::StandIn => 'shows a stand-in picture',
            EmptyAction::KeepSpace => 'keeps its space',
        };
    }

    /**
     * @param  non-empty-list<EmptyAction>  $actions
     * @param  string  $self  the reference to this schema, for nested rules
     * @return array<string, mixed> JSON Schema (2020-12)
     */
    public static function schema(array $actions, string $self = ''): array
    {
        $told = [
            EmptyAction::Say->value => ['text' => ['type' => 'string', 'minLength' => 1]],
            EmptyAction::StandIn->value => ['picture' => ['type' => 'string', 'minLength' => 1]],
            EmptyAction::Use->value => ['field' => ['type' => 'string', 'minLength' => 1]],
        ];
        $silent = array_filter($actions, fn (EmptyAction $action): bool => ! isset($told[$action->value]));
        $object = fn (array $do, array $required, array $optional = []): array => [
            'type' => 'object',
            'required' => ['do', ...array_keys($required)],
            'additionalProperties' => false,
            'properties' => ['do' => $do] + $required + $optional,
        ];
        $forms = [$object(['enum' => array_column($silent, 'value')], [])];
        foreach ($actions as $action) {
            if (isset($told[$action->value])) {
                $forms[] = $object(
                    ['const' => $action->value],
                    $told[$action->value],
                    $action === EmptyAction::Use ? ['then' => ['$ref' => $self]] : [],
                );
            }
        }

        return ['oneOf' => $forms];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['do' => $this->do->value] + match ($this->do) {
            EmptyAction::Say => ['text' => $this->text],
            EmptyAction::StandIn => ['picture' => $this->picture],
            EmptyAction::Use => ['field' => $this->field->key ?? '']
                + ($this->then === null ? [] : ['then' => $this->then->toArray()]),
            default => [],
        };
    }
}
