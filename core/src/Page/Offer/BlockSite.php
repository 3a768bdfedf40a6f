<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Offer;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\Address\PageAbout;

/** What a new block can start from: the page's record, and the content types and modules of the site. */
final readonly class BlockSite
{
    public const ONE_OF_MANY = 'Only on a page that serves every item, term, month or person. A module can show one '
        .'item anywhere.';

    /**
     * @param  PageAbout|null  $about  null for a page about nothing, and in the frame
     * @param  list<Type>  $types
     * @param  list<OfferedModule>  $modules
     */
    public function __construct(public ?PageAbout $about, public array $types, public array $modules)
    {
    }

    /** The content type of the page's items; null if it is about something else. */
    public function itemType(): ?Type
    {
        $key = $this->about?->kind === AboutKind::Item ? $this->about->of[0] : null;

        return array_values(array_filter($this->types, fn (Type $type): bool => $type->key === $key))[0] ?? null;
    }

    /** The first field of the page's own item that contains a place. */
    public function placeField(): ?Field
    {
        $places = array_filter(
            $this->itemType()->reachable ?? [],
            fn (Field $field): bool => $field->family() === Family::Place,
        );

        return array_values($places)[0] ?? null;
    }

    /** @return list<OfferedModule> modules in whose order the page's item, term, month or person can have a place */
    public function orderModules(): array
    {
        $type = $this->itemType();

        return $this->about === null || $type === null && $this->about->kind === AboutKind::Item
            ? []
            : array_values(array_filter(
                $this->modules,
                fn (OfferedModule $one): bool => $type === null || in_array($type->key, $one->types, true),
            ));
    }

    /** @return list<OfferedModule> modules that let visitors filter */
    public function filteredModules(): array
    {
        return array_values(array_filter($this->modules, fn (OfferedModule $one): bool => $one->hasFilters));
    }
}
