<?php

declare(strict_types=1);

namespace Wellspring\Core\Card;

/** A part with what it shows for one record. */
final readonly class RenderedPart
{
    /** What it shows as plain text; for a picture its name; empty where it keeps its space. */
    public string $text;

    /**
     * @param  Part  $part  as the card has it
     * @param  PartKind  $kind  how it is drawn: the part's own kind, or that of what is shown instead
     * @param  PartValue|null  $value  null where a text is said or the space is kept
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

    /** The same, standing in for a part that has nothing to show itself. */
    public function insteadOf(Part $part): self
    {
        return new self($part, $this->kind, $this->value, match ($this->shows) {
            Shows::Value => Shows::Other,
            default => $this->shows,
        }, $this->text);
    }

    /** Whether its text is the name of a picture. */
    public function isPicture(): bool
    {
        return $this->shows === Shows::StandIn || $this->value !== null && $this->kind->showsPicture();
    }

    /** Whether it takes a picture's place on the card. */
    public function standsForPicture(): bool
    {
        return $this->isPicture() || $this->shows === Shows::Space && $this->part->kind->showsPicture();
    }
}
