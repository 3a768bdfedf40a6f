<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\OneOf;

/** Options of pictures on cards and pages. */
final class PictureOptions
{
    /** The shape of the picture's box. */
    public static function shape(string $default = 'landscape'): OneOf
    {
        return new OneOf('shape', 'Picture shape', [
            'own' => 'Its own',
            'landscape' => 'Landscape',
            'square' => 'Square',
            'portrait' => 'Portrait',
            'panorama' => 'Panorama',
            'round' => 'Round',
        ], $default);
    }

    /** How a picture of another shape fits into the box. Cropping keeps the picture's focus point visible. */
    public static function crop(): OneOf
    {
        return new OneOf('crop', 'Picture', ['fill' => 'Fills the shape', 'whole' => 'Is seen whole'], 'fill');
    }
}
