<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Content\Taxonomy\Taxonomy;

/** Where an item stores a field's value. */
enum Origin: string
{
    /** every item has it: title, publish_at … */
    case Item = 'item';
    /** the type defines it */
    case Type = 'type';
    /** the item's terms of a taxonomy */
    case Taxonomy = 'taxonomy';
}
