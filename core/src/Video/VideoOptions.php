<?php

declare(strict_types=1);

namespace Wellspring\Core\Video;

use Wellspring\Core\Option\Flag;
use Wellspring\Core\Option\OneOf;
use Wellspring\Core\Option\Option;

/** Options of videos on cards and pages. */
final class VideoOptions
{
    /** The video's own shape. */
    public const OWN = 'own';

    private const SHAPES = ['16-9' => '16 : 9', '4-3' => '4 : 3', '1-1' => 'Square', '9-16' => '9 : 16, upright'];

    /** @return list<Option> */
    public static function all(): array
    {
        return [
            new OneOf('frame', 'Shape of the frame', [self::OWN => 'Its own'] + self::SHAPES, self::OWN),
            new Flag('loop', 'An uploaded film begins again when it ends'),
        ];
    }

    /**
     * The offered shape nearest to a video's own.
     *
     * @param  int  $width  in px, or a ratio's part: 16
     * @param  int  $height  in px, or a ratio's part: 9
     */
    public static function nearest(int $width, int $height): string
    {
        $own = $width / max(1, $height);
        $nearest = '16-9';
        $least = INF;
        foreach (array_keys(self::SHAPES) as $shape) {
            [$across, $down] = explode('-', $shape);
            $distance = abs(log($own * (int) $down / (int) $across));
            [$nearest, $least] = $distance < $least ? [$shape, $distance] : [$nearest, $least];
        }

        return $nearest;
    }
}
