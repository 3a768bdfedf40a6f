<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;

/** What a part shows of a record. */
final readonly class PartValue
{
    /**
     * @param  string  $text  plain text, not empty; for a picture or an icon its name
     * @param  list<PartPiece>  $pieces  the same in pieces, where they are drawn each in its own way
     * @param  string|null  $address  where it leads, beside the record's own page
     * @param  string  $html  the same with its markup, safe as it is stored; empty of plain text
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

    /** @param  string  $visible  the same without markup; empty where there are pictures alone */
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
     * @param  string|null  $text  the same in words
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

    /** @param  string|null  $video  a file's name or an address, which the picture stands for */
    public static function picture(string $name, ?string $video): self
    {
        return new self($name, $video === null ? [] : [new PartPiece($video, 'video')]);
    }

    public static function link(string $text, string $address): self
    {
        return new self($text, address: $address);
    }
}
