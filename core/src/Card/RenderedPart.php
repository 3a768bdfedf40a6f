<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** A part with its value for one record. */
final readonly class RenderedPart
{
    /** Its value as plain text; the name of a picture; empty if it keeps its space. */
    public string $text;

    /**
     * @param  Part  $part  as in the card
     * @param  PartKind  $kind  the kind that draws it: the part's own, or that of the field shown instead
     * @param  PartValue|null  $value  null if a text is said or the space is kept
     */
    public function __construct(
        public Part $part,
        public PartKind $kind,
        public ?PartValue $value,
        public Shows $shows = Shows::Value,
        string $said = '',
    ) {
        $this->text = $value === null ? $said : $value->text;
    }

    /** The same, as replacement for a part without a value. */
    public function insteadOf(Part $part): self
    {
        return new self($part, $this->kind, $this->value, match ($this->shows) {
            Shows::Value => Shows::Other,
            default => $this->shows,
        }, $this->text);
    }

    /** True if its text is the name of a picture. */
    public function isPicture(): bool
    {
        return $this->shows === Shows::StandIn || $this->value !== null && $this->kind->showsPicture();
    }

    /** True if it stands in the place of a picture. */
    public function standsForPicture(): bool
    {
        return $this->isPicture() || $this->shows === Shows::Space && $this->part->kind->showsPicture();
    }
}
