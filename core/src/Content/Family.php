<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

/** The family of a field kind, which decides the suitable tests and how values compare. */
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
    /** the identity of the record */
    case Identity = 'identity';
    /** all its texts together, for search */
    case Words = 'words';

    /** True if a record has one sortable value of it. */
    public function ordered(): bool
    {
        return match ($this) {
            self::Text, self::Number, self::YesNo, self::Choice, self::Date, self::Instant => true,
            default => false,
        };
    }

    /** True if a value has a text form; a picture does not. */
    public function readsAsText(): bool
    {
        return ! $this->isMedia() && $this !== self::Identity && $this !== self::Words;
    }

    public function isPicture(): bool
    {
        return $this === self::Picture || $this === self::Pictures;
    }

    /** True if its values are names of uploaded files (or addresses, for videos). */
    public function isMedia(): bool
    {
        return match ($this) {
            self::Picture, self::Pictures, self::File, self::Video => true,
            default => false,
        };
    }

    /** True if its values are stored outside the item, as links to another item or to a person. */
    public function isLink(): bool
    {
        return $this === self::Items || $this === self::Person;
    }
}
