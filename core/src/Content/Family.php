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
    case Pictures = 'pictures';
    case File = 'file';
    case Video = 'video';
    case Place = 'place';
    case Hours = 'hours';
    case Items = 'items';
    case Person = 'person';
    case Terms = 'terms';
    /** which record it is */
    case Identity = 'identity';
    /** all its texts at once, for search */
    case Words = 'words';

    /** Whether a record holds one value of it that stands before or after another. */
    public function ordered(): bool
    {
        return match ($this) {
            self::Text, self::Number, self::YesNo, self::Choice, self::Date, self::Instant => true,
            default => false,
        };
    }

    /** Whether a value of it reads as words; a picture does not. */
    public function readsAsText(): bool
    {
        return ! $this->isMedia() && $this !== self::Identity && $this !== self::Words;
    }

    public function isPicture(): bool
    {
        return $this === self::Picture || $this === self::Pictures;
    }

    /** Whether its values name uploaded files (a video may be elsewhere). */
    public function isMedia(): bool
    {
        return match ($this) {
            self::Picture, self::Pictures, self::File, self::Video => true,
            default => false,
        };
    }

    /** Whether its values are kept beside the item, as links to another item or to a person. */
    public function isLink(): bool
    {
        return $this === self::Items || $this === self::Person;
    }
}
