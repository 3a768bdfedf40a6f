<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Look\MapColours;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Http\Response;
use Wellspring\Core\Map\MapTile;

/** The map tiles that the application draws. */
final readonly class MapTileController
{
    private const KEEP_SECONDS = 86_400;

    public function __construct(private Repository $cache)
    {
    }

    public function show(string $colours, int $zoom, int $x, int $y): Response
    {
        $tile = MapTile::at($zoom, $x, $y);
        $said = MapColours::named($colours);
        if ($tile === null || $said === null) {
            abort(404);
        }
        $land = $this->cache->remember("map-tile:{$zoom}/{$x}/{$y}", self::KEEP_SECONDS, $tile->land(...));
        $side = MapTile::SIDE;

        return new Response(
            "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"{$side}\" height=\"{$side}\" "
                ."viewBox=\"0 0 {$side} {$side}\"><path fill=\"{$said->sea}\" d=\"M0 0H{$side}V{$side}H0Z\"/>"
                ."<path fill=\"{$said->land}\" stroke=\"{$said->coast}\" stroke-width=\"0.8\" fill-rule=\"evenodd\" "
                ."d=\"{$land}\"/></svg>",
            headers: ['Content-Type' => 'image/svg+xml', 'Cache-Control' => 'public, max-age=31536000, immutable'],
        );
    }
}
