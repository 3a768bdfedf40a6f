<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

/** What became of a stored value when its field was defined anew. */
enum ConversionOutcome
{
    case Same;
    /** it says the same in the new form, or as much of it as the field still takes */
    case Converted;
    /** it stays, and no longer fits a limit: the next save asks for another */
    case Unfit;
    /** the field cannot hold it; it is kept aside with the item's revisions */
    case Lost;
}
