<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** Yes or no; a value that was never set is neither. */
final class YesNo implements Kind
{
    use NoLimits;

    private const WORDS = ['yes' => true, 'true' => true, '1' => true, 'no' => false, 'false' => false, '0' => false];

    public function key(): string
    {
        return 'yesNo';
    }

    public function family(): Family
    {
        return Family::YesNo;
    }

    public function words(): string
    {
        return 'Yes or no';
    }

    public function limits(): array
    {
        return [Limit::Default];
    }

    public function read(mixed $value, Field $field): ?bool
    {
        return match (true) {
            $value === null, is_bool($value) => $value,
            is_string($value), is_int($value) => $this->readCell((string) $value, $field),
            default => throw WrongValue::expected('true or false', $value),
        };
    }

    public function readCell(string $cell, Field $field): ?bool
    {
        $word = strtolower(Whitespace::trim($cell));

        return $word === ''
            ? null
            : self::WORDS[$word] ?? throw WrongValue::expected('yes, no, true, false, 1 or 0', $cell);
    }

    public function writeCell(mixed $value, Field $field): string
    {
        return $value === true ? 'yes' : 'no';
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_bool($value) ? $format->words()->text($value ? 'choices.yes' : 'choices.no') : null;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'boolean'];
    }
}
