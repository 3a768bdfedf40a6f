<?php

declare(strict_types=1);

namespace Wellspring\Core\Source;

/** The kind of record that a source gives. */
enum RecordsOf
{
    /** Items, which have pages of their own. */
    case Items;

    case Terms;

    case People;

    /** Pages of the site. */
    case Pages;

    /** Months or years. One exists only if the viewer may see an item in it. */
    case Periods;
}
