<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter\Test;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind\Text;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Whitespace;
use Wellspring\Core\Wording\Format;

/**
 * A text compared with a text, ignoring case and accents. For HTML, the visible text counts. Negative tests keep
 * records without text.
 */
final readonly class TextMatch implements Test
{
    use ValueTest;

    public function __construct(public TextPosition $position, public bool $kept)
    {
    }

    public function key(): string
    {
        return match ($this->position) {
            TextPosition::Whole => $this->kept ? 'is' : 'isNot',
            TextPosition::Contains => $this->kept ? 'contains' : 'lacks',
            default => $this->position->value,
        };
    }

    public function suits(Family $family): bool
    {
        return $family === Family::Text || $family === Family::LongText;
    }

    public function wantsValue(): bool
    {
        return true;
    }

    public function readValue(mixed $value, Field $field): string
    {
        $value = self::given($value);

        // Stored texts have no white space at their ends, so it is removed from a whole text. A beginning may end with
        // it, such as “the ”.
        return $this->position === TextPosition::Whole ? Whitespace::trim($value) : $value;
    }

    public function valueSchema(): array
    {
        return ['type' => 'string', 'minLength' => 1, 'maxLength' => 300];
    }

    public function usesIndex(): bool
    {
        return $this->kept && ($this->position === TextPosition::Whole || $this->position === TextPosition::Begins);
    }

    /**
     * A one-line text to compare with.
     *
     * @throws WrongValue
     */
    public static function given(mixed $value): string
    {
        if (! is_string($value) || Whitespace::isAll($value)) {
            throw WrongValue::expected('text that is not empty', $value);
        }
        Text::mustBeReadable($value);
        if (mb_strlen($value) > 300) {
            throw new WrongValue('expected at most 300 characters.');
        }

        return Whitespace::onOneLine($value);
    }

    /** A value of the field in its folded form. */
    public static function found(string $value, Field $field): string
    {
        return Fold::of($field->family() === Family::LongText ? Html::visibleText($value) : $value);
    }

    /** The given text in its folded form. */
    public function needle(Condition $condition): string
    {
        return Fold::of(is_string($condition->value) ? $condition->value : '');
    }

    public function isNegative(): bool
    {
        return ! $this->kept;
    }

    public function keeps(mixed $found, BoundCondition $condition, Context $context): bool
    {
        if (! is_string($found)) {
            return ! $this->kept;
        }
        $text = self::found($found, $condition->field);
        $needle = $this->needle($condition);
        $matches = match ($this->position) {
            TextPosition::Whole => $text === $needle,
            TextPosition::Contains => str_contains($text, $needle),
            TextPosition::Begins => str_starts_with($text, $needle),
            TextPosition::Ends => str_ends_with($text, $needle),
        };

        return $matches === $this->kept;
    }

    public function words(Condition $condition): string
    {
        return match ($this->position) {
            TextPosition::Whole => $this->kept ? 'is' : 'is not',
            TextPosition::Contains => $this->kept ? 'contains' : 'does not contain',
            TextPosition::Begins => 'begins with',
            TextPosition::Ends => 'ends with',
        };
    }

    public function valueWords(Condition $condition, Format $format): string
    {
        return is_string($condition->value) ? "“{$condition->value}”" : '';
    }
}
