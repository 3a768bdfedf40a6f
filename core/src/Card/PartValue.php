<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** What a part shows of a record. */
final readonly class PartValue
{
    /**
     * @param  string  $text  plain text, not empty; for a picture or an icon its name
     * @param  list<PartPiece>  $pieces  the same in pieces, where they are drawn each in its own way
     * @param  string|null  $address  where it leads, beside the record's own page
     */
    private function __construct(public string $text, public array $pieces = [], public ?string $address = null)
    {
    }

    /** @return self|null null where there is nothing to show */
    public static function text(?string $text): ?self
    {
        return $text === null || $text === '' ? null : new self($text);
    }

    /** @param  non-empty-list<PartPiece>  $pieces */
    public static function pieces(array $pieces, string $between = ' '): self
    {
        return new self(
            implode($between, array_map(fn (PartPiece $piece): string => $piece->text, $pieces)),
            $pieces,
        );
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
