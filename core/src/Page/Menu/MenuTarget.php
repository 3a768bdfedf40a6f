<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

/** What a menu's entry leads to. */
enum MenuTarget: string
{
    /** A page, by its key. */
    case Page = 'page';
    /** A term, by its taxonomy and slug. */
    case Term = 'term';
    /** An item, by its type and slug. */
    case Item = 'item';
    /** An address, within the site or elsewhere. */
    case Link = 'link';
    /** All records of a module, an entry each. */
    case Module = 'module';
}
