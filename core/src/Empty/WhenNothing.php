<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Wording\Format;

/**
 * The rule for a module with nothing to show: it says a text, another module shows instead, or it is left out, alone or
 * with its slot or band.
 */
final readonly class WhenNothing
{
    public const TEXT = 'There is nothing to show here at the moment.';

    public const SHOW = 'show';

    private const SILENT = [
        EmptyAction::LeaveOutModule, EmptyAction::LeaveOutSlot, EmptyAction::LeaveOutBand,
    ];

    /**
     * @param  string  $text  the plain text
     * @param  string  $html  the text with markup, which replaces the plain one; the view must clean it
     * @param  string|null  $module  the key of the module to show instead
     */
    public function __construct(
        public string $text = self::TEXT,
        public EmptyAction $do = EmptyAction::Say,
        public string $html = '',
        public ?string $module = null,
    ) {
    }

    /** True if the module has no text of its own. Visitors then read the built-in text in their language. */
    public function saysBuiltIn(): bool
    {
        return in_array($this->text, ['', self::TEXT], true);
    }

    /** @param  string  $key  of the module itself, which cannot replace itself */
    public static function read(Shape $definition, Problems $problems, string $key): self
    {
        if (! $definition->has('whenNothing')) {
            return new self;
        }
        $rule = $definition->inner('whenNothing', ['do']);
        $do = $rule->oneOf('do', [
            ...array_column([EmptyAction::Say, ...self::SILENT], 'value'), self::SHOW,
        ]);
        $read = match ($do) {
            self::SHOW => new self('', module: self::module($rule, $key)),
            EmptyAction::Say->value => $rule->has('html')
                ? new self('', html: self::html($rule))
                : new self($rule->text('text')),
            default => new self('', EmptyAction::from($do)),
        };
        $rule->noOthers();

        return $read;
    }

    private static function module(Shape $rule, string $key): ?string
    {
        $module = $rule->text('module');
        if ($module !== '' && $module === $key) {
            $rule->wrong('module', 'the key of another module', $module);
        }

        return $module === '' ? null : $module;
    }

    private static function html(Shape $rule): string
    {
        $html = $rule->raw('html');
        if (! is_string($html) || Html::visibleText($html) === '' && ! Html::hasMedia($html)) {
            $rule->wrong('html', 'text with markup that shows something', $html);
        }

        return is_string($html) ? $html : '';
    }

    /** @return array<string, mixed> JSON Schema (2020-12) */
    public static function schema(): array
    {
        $text = ['type' => 'string', 'minLength' => 1];
        $form = fn (array $do, array $more): array => [
            'type' => 'object',
            'required' => ['do', ...array_keys($more)],
            'additionalProperties' => false,
            'properties' => ['do' => $do] + $more,
        ];

        return ['oneOf' => [
            $form(['enum' => array_column(self::SILENT, 'value')], []),
            $form(['const' => EmptyAction::Say->value], ['text' => $text]),
            $form(['const' => EmptyAction::Say->value], ['html' => $text]),
            $form(['const' => self::SHOW], ['module' => $text]),
        ]];
    }

    /** The level to remove; null if something shows. */
    public function takes(): ?Level
    {
        return $this->module === null ? $this->do->level() : null;
    }

    /** The end of a sentence that begins with “When nothing is left”. */
    public function words(Format $format): string
    {
        return match (true) {
            $this->module !== null => 'show the module “'.$format->title("module/{$this->module}").'”',
            $this->do === EmptyAction::LeaveOutSlot => 'leave its slot out',
            $this->do === EmptyAction::LeaveOutBand => 'leave its band out',
            $this->do === EmptyAction::Say => "say “{$this->plain()}”",
            default => 'leave the module out',
        };
    }

    /** The text without markup. */
    public function plain(): string
    {
        return $this->html === '' ? $this->text : Html::visibleText($this->html);
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return match (true) {
            $this->module !== null => ['do' => self::SHOW, 'module' => $this->module],
            $this->do !== EmptyAction::Say => ['do' => $this->do->value],
            $this->html !== '' => ['do' => $this->do->value, 'html' => $this->html],
            default => ['do' => $this->do->value, 'text' => $this->text],
        };
    }
}
