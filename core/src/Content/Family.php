<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** What the kinds of fields have in common for conditions and order: which tests suit and how values compare. */
enum Family: string
{
    case Text = 'text';
    case LongText = 'longText';
    case Number = 'number';
    case YesNo = 'yesNo';
    case Choice = 'choice';
    case Choices = 'choices';
    case Date = 'date';
    case Instant = 'instant';
    case Picture = 'picture';
    case Terms = 'terms';

    /** Whether a record holds one value of it that stands before or after another. */
    public function ordered(): bool
    {
        return match ($this) {
            self::Text, self::Number, self::YesNo, self::Choice, self::Date, self::Instant => true,
            self::LongText, self::Choices, self::Picture, self::Terms => false,
        };
    }
}
