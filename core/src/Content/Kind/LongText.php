<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\LimitReader;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/** Text with markup (HTML). The code that stores it must clean it first. */
final class LongText implements Kind
{
    use SingleText;

    public function key(): string
    {
        return 'longText';
    }

    public function family(): Family
    {
        return Family::LongText;
    }

    public function words(): string
    {
        return 'Text with markup';
    }

    public function limits(): array
    {
        return [Limit::MaxLength];
    }

    public function readLimits(LimitReader $words): Limits
    {
        return new Limits(maxLength: $words->maxLength());
    }

    public function read(mixed $value, Field $field): ?string
    {
        if ($value === null) {
            return null;
        }
        if (! is_string($value)) {
            throw WrongValue::expected('text', $value);
        }
        Text::mustBeReadable($value);
        if (strlen($value) > 1_000_000) {
            throw new WrongValue('expected at most 1,000,000 bytes of text.');
        }

        if (Blank::isHtml($value)) {
            return null;
        }
        if ($field->limits->maxLength !== null) {
            // Only the visible text is counted, not the markup.
            $field->limits->holdText(Html::visibleText($value), 1_000_000);
        }

        return Whitespace::trim($value);
    }

    public function display(mixed $value, Field $field, Format $format, array $names): ?string
    {
        return is_string($value) ? Html::visibleText($value) : null;
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string'];
    }
}
