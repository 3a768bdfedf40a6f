<?php

declare(strict_types=1);

namespace App\Site;

use App\Freshness\Dependencies;
use App\Models\Media;
use App\Site\Address\PageAddress;
use Wellspring\Core\Page\Band;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Page\ShownBand;

/** A page for one viewer at one instant, with its dependencies. */
final readonly class PageResult
{
    /**
     * @param  list<ShownBand<DrawnBlock>>  $bands
     * @param  array<string, non-empty-list<DrawnBlock>>  $frame  by the value of FrameSlot
     * @param  list<string>  $parameterNames  the parameters that it reads
     * @param  array<string, Media>  $grounds  background pictures of bands, by the band's key
     * @param  bool  $isOneOfMany  true if the visitor's choices are one of unbounded combinations
     * @param  PageAddress  $address  the canonical address: the visitor's choices in the order of the offers
     */
    public function __construct(
        public PageDefinition $page,
        public Subject $subject,
        public array $bands,
        public array $frame,
        public Dependencies $dependencies,
        public PageAddress $address,
        public array $parameterNames,
        public array $grounds = [],
        public bool $isOneOfMany = false,
    ) {
    }

    /** @return list<string> the classes of what the band stands on; a picture that is not there is none */
    public function groundClasses(Band $band): array
    {
        $ground = $band->ground;
        if ($ground === null || $ground->kind !== 'colour' && ! isset($this->grounds[$band->key])) {
            return [];
        }

        return [
            'on-ground',
            $ground->kind === 'colour' ? "ground-{$ground->name}" : 'on-picture',
        ];
    }

    /** @param  \Closure(DrawnBlock): DrawnBlock  $changed  applied to each block of the body */
    public function withBlocks(\Closure $changed): self
    {
        return new self(
            $this->page,
            $this->subject,
            array_map(fn (ShownBand $band): ShownBand => $band->withBlocks($changed), $this->bands),
            $this->frame,
            $this->dependencies,
            $this->address,
            $this->parameterNames,
            $this->grounds,
            $this->isOneOfMany,
        );
    }

    /** @return list<string> the files of the scripts that make something on the page better */
    public function scripts(): array
    {
        $names = array_unique(array_merge(...array_map(
            fn (DrawnBlock $block): array => $block->scripts,
            $this->blocks(),
        )));

        return array_map(fn (string $name): string => "resources/js/site/{$name}.ts", array_values($names));
    }

    /** True if a module on the page has a style of its own, see Departure. */
    public function hasOwnStyles(): bool
    {
        return array_filter(
            $this->blocks(),
            fn (DrawnBlock $block): bool => str_contains($block->html, '<section class="module module-'),
        ) !== [];
    }

    /** @param  class-string<Block>  $block */
    public function shows(string $block): bool
    {
        return array_filter($this->blocks(), fn (DrawnBlock $drawn): bool => $drawn->block instanceof $block) !== [];
    }

    /** True if the body has a first-level heading. */
    public function hasTitle(): bool
    {
        return $this->page->showsTitle
            || array_filter($this->blocks(), fn (DrawnBlock $block): bool => str_contains($block->html, '<h1')) !== [];
    }

    /** @return list<DrawnBlock> of the body and of the frame */
    public function blocks(): array
    {
        $all = array_merge(...array_values($this->frame));
        foreach ($this->bands as $band) {
            foreach ($band->slots as $slot) {
                array_push($all, ...$slot->blocks);
            }
        }

        return $all;
    }
}
