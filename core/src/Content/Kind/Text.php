<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\ControlCharacters;
use Wellspring\Core\Text\Whitespace;

/** One line of text. White space at its ends is dropped. */
final class Text implements Kind
{
    use SingleText;

    public function key(): string
    {
        return 'text';
    }

    public function family(): Family
    {
        return Family::Text;
    }

    public function words(): string
    {
        return 'One line of text';
    }

    public function limits(): array
    {
        return [Limit::MinLength, Limit::MaxLength, Limit::Pattern, Limit::Default];
    }

    public function readLimits(LimitReader $words): Limits
    {
        [$minLength, $maxLength] = $words->lengths();

        return new Limits(minLength: $minLength, maxLength: $maxLength, pattern: $words->pattern());
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null) {
            return null;
        }
        if (is_int($value) || is_float($value)) {
            $value = (string) json_encode($value);
        }
        if (! is_string($value)) {
            throw WrongValue::expected('text', $value);
        }
        self::mustBeReadable($value);
        if (Whitespace::isAll($value)) {
            return null;
        }
        $value = Whitespace::trim(Whitespace::onOneLine($value));
        $field->limits->holdText($value, 1000);

        return $value;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'] + array_filter(
            [
                'minLength' => $field->limits->minLength,
                'maxLength' => $field->limits->maxLength,
                'pattern' => $field->limits->pattern,
            ],
            fn (mixed $limit): bool => $limit !== null,
        );
    }

    /** @throws WrongValue when the text is not UTF-8 or holds a control character that no text needs */
    public static function mustBeReadable(string $text): void
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw WrongValue::expected('text in UTF-8', $text);
        }
        if (ControlCharacters::areIn($text)) {
            throw new WrongValue('expected text without control characters.');
        }
    }
}
