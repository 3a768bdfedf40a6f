<?php

declare(strict_types=1);

namespace App\Site\Output;

use Wellspring\Core\Card\Part;
use Wellspring\Core\Card\Part\Excerpt;
use Wellspring\Core\Card\Part\Icon;
use Wellspring\Core\Card\Part\Title;
use Wellspring\Core\Card\RenderedPart;

/** One card with the address of its record's page. */
final readonly class CardView
{
    /**
     * @param  string  $address  empty if the record has no page
     * @param  list<list<RenderedPart>>  $lines
     * @param  string|null  $heading  the key of its group heading
     */
    public function __construct(public string $address, public array $lines, public ?string $heading = null)
    {
    }

    /** @return list<RenderedPart> of all lines */
    public function parts(): array
    {
        return array_merge(...$this->lines);
    }

    /** The part that links to the record's page: the title, or else the first part with text. */
    public function title(): ?RenderedPart
    {
        $named = array_filter($this->parts(), fn (RenderedPart $part): bool => $part->kind instanceof Title);
        $said = array_filter(
            $this->parts(),
            fn (RenderedPart $part): bool => ! $part->standsForPicture()
                && ! $part->kind instanceof Icon
                && $part->text !== '',
        );

        return array_values($named)[0] ?? array_values($said)[0] ?? null;
    }

    /** The text of the card's excerpt; empty if it has none. */
    public function description(): string
    {
        $excerpts = array_filter($this->parts(), fn (RenderedPart $part): bool => $part->kind instanceof Excerpt);

        return array_values($excerpts)[0]->text ?? '';
    }

    /** The card with that part alone; without lines if the part is missing. */
    public function only(Part $part): self
    {
        $parts = array_filter($this->parts(), fn (RenderedPart $made): bool => $made->part === $part);

        return new self($this->address, $parts === [] ? [] : [array_values($parts)], $this->heading);
    }

    public function withoutPictures(): self
    {
        $lines = array_map(fn (array $line): array => array_values(array_filter(
            $line,
            fn (RenderedPart $made): bool => ! $made->standsForPicture(),
        )), $this->lines);

        return new self($this->address, array_values(array_filter($lines)), $this->heading);
    }

    /** The first part that stands for a picture. */
    public function picture(): ?RenderedPart
    {
        $pictures = array_filter($this->parts(), fn (RenderedPart $part): bool => $part->standsForPicture());

        return array_values($pictures)[0] ?? null;
    }
}
