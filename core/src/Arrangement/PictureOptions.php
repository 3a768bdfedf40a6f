<?php

declare(strict_types=1);

namespace Wellspring\Core\Arrangement;

use Wellspring\Core\Option\OneOf;

/** How pictures are shown, on cards and on pages. */
final class PictureOptions
{
    /** The shape that pictures are shown in. */
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

    /** How a picture of another shape fits. What is cut away keeps the picture's point in sight. */
    public static function crop(): OneOf
    {
        return new OneOf('crop', 'Picture', ['fill' => 'Fills the shape', 'whole' => 'Is seen whole'], 'fill');
    }
}
