<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

/** The kind of target of a menu entry. */
enum MenuTarget: string
{
    /** A page, by its key. */
    case Page = 'page';
    /** A term, by its taxonomy and slug. */
    case Term = 'term';
    /** An item, by its type and slug. */
    case Item = 'item';
    /** An address on this site or elsewhere. */
    case Link = 'link';
    /** All records of a module, one entry each. */
    case Module = 'module';
}
