<?php

declare(strict_types=1);

namespace App\Site\Block;

use App\Catalogue\CatalogueStore;
use App\Look\MapColours;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Map\PlaceMap;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\MapOfPlace;

/**
 * A place with its map, if the field has coordinates.
 *
 * @implements BlockData<MapOfPlace>
 */
final readonly class MapData implements BlockData
{
    public function __construct(private SiteSettings $settings, private CatalogueStore $catalogue)
    {
    }

    public static function block(): string
    {
        return MapOfPlace::class;
    }

    public function data(Block $block, PageScene $scene): ?array
    {
        $place = $block->field === null ? $block->place : $scene->subject?->record?->value($block->field);
        if (! is_array($place) || ! isset($place['latitude'], $place['longitude'])) {
            return null;
        }
        $degrees = fn (mixed $value): float => is_numeric($value) ? (float) $value : 0.0;
        [$latitude, $longitude] = [$degrees($place['latitude']), $degrees($place['longitude'])];

        return [
            'map' => PlaceMap::around($latitude, $longitude),
            'words' => is_string($place['address'] ?? null) ? $place['address'] : '',
            'latitude' => $latitude,
            'longitude' => $longitude,
            'tiles' => $this->settings->mapTiles,
            'drawn' => '/map/'.MapColours::of($this->catalogue->look())->name().'/{z}/{x}/{y}.svg',
        ];
    }
}
