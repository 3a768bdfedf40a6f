<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Whitespace;

/** Lists in one cell, joined by a bar, a semicolon or a comma; and choices by their labels. */
final class ListEvidence implements ColumnEvidence
{
    private const SEPARATORS = ['|' => 'a bar: a | b', ';' => 'semicolons: a; b', ',' => 'commas: a, b'];

    /** @var array<string, true> separators that were seen */
    private array $seen = [];

    private string $example = '';

    /** @var array<string, string>|null keys of choices by their labels, folded */
    private ?array $labels = null;

    /** @param  bool  $isList  true if the field takes several values */
    public function __construct(private readonly Field $field, private readonly bool $isList)
    {
    }

    public function see(string $cell): void
    {
        foreach ($this->isList ? array_keys(self::SEPARATORS) : [] as $separator) {
            if (str_contains($cell, $separator)) {
                $this->seen[$separator] = true;
            }
        }
        $isLabel = isset($this->labels()[Fold::of(Whitespace::trim($cell))])
            && ! isset($this->field->choices[Whitespace::trim($cell)]);
        if ($this->example === '' && ($isLabel || $this->isList && preg_match('/[;,]/', $cell) === 1)) {
            $this->example = Whitespace::trim($cell);
        }
    }

    public function decided(?string $chosen): ColumnForm
    {
        $found = array_key_first(array_intersect_key(self::SEPARATORS, $this->seen)) ?? '|';
        $form = match ($chosen ?? $found) {
            ';' => ';',
            ',' => ',',
            default => '|',
        };
        $isAsked = $this->isList && (isset($this->seen[',']) || isset($this->seen[';']));

        return new ColumnForm(
            $this->isList ? $form : '',
            $isAsked ? self::SEPARATORS : [],
            $isAsked && ! isset($this->seen['|']),
            $this->example,
            fn (string $cell): string => $this->rewritten($cell, $form),
        );
    }

    /** @param  non-empty-string  $separator */
    private function rewritten(string $cell, string $separator): string
    {
        $parts = $this->isList ? explode($separator, $cell) : [$cell];
        $labels = $this->labels();

        return implode(' | ', array_filter(
            array_map(function (string $part) use ($labels): string {
                $part = Whitespace::trim($part);

                return isset($this->field->choices[$part]) ? $part : $labels[Fold::of($part)] ?? $part;
            }, $parts),
            fn (string $part): bool => $part !== '',
        ));
    }

    /** @return array<string, string> keys of choices by their labels, folded */
    private function labels(): array
    {
        if ($this->labels !== null) {
            return $this->labels;
        }
        $labels = [];
        foreach ($this->field->choices as $key => $label) {
            $labels[Fold::of($label)] ??= (string) $key;
            $labels[Fold::of((string) $key)] ??= (string) $key;
        }

        return $this->labels = $labels;
    }
}
