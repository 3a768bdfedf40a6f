<?php

declare(strict_types=1);

namespace App\Site\Output;

use Wellspring\Core\Card\RenderedPart;

/** One card with the address of its item's own page. */
final readonly class CardView
{
    /**
     * @param  string  $address  empty where it has none
     * @param  list<list<RenderedPart>>  $lines
     * @param  string|null  $heading  the key of the heading that it stands under
     */
    public function __construct(public string $address, public array $lines, public ?string $heading = null)
    {
    }

    /** @return list<RenderedPart> of all lines */
    public function parts(): array
    {
        return array_merge(...$this->lines);
    }
}
