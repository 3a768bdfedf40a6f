<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Reference;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Address\PageAbout;

/** The definition of a page, validated by PageReader. */
final readonly class PageDefinition
{
    /**
     * @param  PageAbout|null  $about  null for a page about nothing but itself
     * @param  string|null  $picture  the file name of the picture for previews in other programs
     * @param  string|null  $menu  its name in menus; null if it is in no menu by itself
     * @param  bool  $asksToSignIn  true if visitors without access are asked to sign in instead of getting "not found"
     * @param  list<Band>  $bands  top to bottom
     */
    public function __construct(
        public string $key,
        public AddressPattern $address,
        public ?PageAbout $about,
        public string $title,
        public bool $showsTitle,
        public string $description,
        public ?string $picture,
        public ?string $menu,
        public Schedule $schedule,
        public bool $asksToSignIn,
        public array $bands,
    ) {
    }

    /** @return list<PlacedBlock> of all bands and slots, in order */
    public function blocks(): array
    {
        $all = [];
        foreach ($this->bands as $band) {
            foreach ($band->slots as $slot) {
                array_push($all, ...$slot->blocks);
            }
        }

        return $all;
    }

    /** @return list<Reference> where it names fields and terms */
    public function references(Catalogue $catalogue): array
    {
        $types = $this->about?->kind === AboutKind::Item ? $this->about->of : [];
        $all = $this->about?->references('about', $catalogue) ?? [];
        foreach ($this->bands as $b => $band) {
            foreach ($band->slots as $s => $slot) {
                foreach ($slot->blocks as $i => $placed) {
                    $at = "bands[{$b}].slots[{$s}].blocks[{$i}]";
                    array_push($all, ...$placed->block->references($at, $types));
                }
            }
        }

        return $all;
    }

    /** @return list<string> keys of the modules that stand on it, each once */
    public function modules(): array
    {
        $keys = array_map(fn (PlacedBlock $placed): array => $placed->block->modules(), $this->blocks());

        return array_values(array_unique(array_merge(...$keys)));
    }

    /** @return list<string> keys of the modules whose choices it offers, though they may stand elsewhere, each once */
    public function offersChoicesOf(): array
    {
        $keys = array_map(fn (PlacedBlock $placed): array => $placed->block->offersChoicesOf(), $this->blocks());

        return array_values(array_unique(array_merge(...$keys)));
    }

    /** @return list<Schedule> of the page and of all that stands on it */
    public function schedules(): array
    {
        $all = [$this->schedule];
        foreach ($this->bands as $band) {
            $all[] = $band->schedule;
            foreach ($band->slots as $slot) {
                array_push($all, $slot->schedule, ...array_column($slot->blocks, 'schedule'));
            }
        }

        return $all;
    }

    /** @return array<string, mixed> as a file of format 1 holds it */
    public function toArray(): array
    {
        return ['format' => PageReader::FORMAT, 'key' => $this->key, 'address' => $this->address->pattern]
            + ($this->about === null ? [] : ['about' => $this->about->toArray()])
            + ['title' => $this->title]
            + ($this->showsTitle ? [] : ['showTitle' => false])
            + ($this->description === '' ? [] : ['description' => $this->description])
            + ($this->picture === null ? [] : ['picture' => $this->picture])
            + ($this->menu === null ? [] : ['menu' => ['label' => $this->menu]])
            + $this->schedule->toArray()
            + ($this->asksToSignIn ? ['whenNotForYou' => 'signIn'] : [])
            + ['bands' => array_map(fn (Band $band): array => $band->toArray(), $this->bands)];
    }
}
