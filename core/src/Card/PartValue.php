<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;

/** The value that a part shows for a record. */
final readonly class PartValue
{
    /**
     * @param  string  $text  plain text, not empty; the name of a picture or an icon
     * @param  list<PartPiece>  $pieces  the same in pieces, if each is drawn differently
     * @param  string|null  $address  the link's target, if it is not the record's page
     * @param  string  $html  the same as safe HTML; empty for plain text
     */
    private function __construct(
        public string $text,
        public array $pieces = [],
        public ?string $address = null,
        public string $html = '',
    ) {
    }

    /** @return self|null null where there is nothing to show */
    public static function text(?string $text): ?self
    {
        return $text === null || $text === '' ? null : new self($text);
    }

    /** @param  string  $visible  the visible text; empty if there are only pictures */
    public static function html(string $html, string $visible): self
    {
        return new self($visible, html: $html);
    }

    /** @param  non-empty-list<PartPiece>  $pieces */
    public static function pieces(array $pieces, string $between = ' '): self
    {
        return new self(
            implode($between, array_map(fn (PartPiece $piece): string => $piece->text, $pieces)),
            $pieces,
        );
    }

    /**
     * The value of a field. The name of a person or an item links to that person's or item's page.
     *
     * @param  string|null  $text  the same as text
     */
    public static function linked(Record $record, Field $field, ?string $text): ?self
    {
        $pieces = array_map(
            fn (Record $other): PartPiece => new PartPiece(
                $other->title,
                'linked',
                record: [$other->type, $other->slug],
            ),
            $field->through === null && $field->family()->isLink() ? $record->reached($field) : [],
        );

        return $pieces === [] ? self::text($text) : self::pieces($pieces, ', ');
    }

    /** @param  string|null  $video  the video that the picture stands for: a file name or an address */
    public static function picture(string $name, ?string $video): self
    {
        return new self($name, $video === null ? [] : [new PartPiece($video, 'video')]);
    }

    public static function link(string $text, string $address): self
    {
        return new self($text, address: $address);
    }
}
