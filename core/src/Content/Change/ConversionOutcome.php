<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

/** The outcome of converting a stored value. */
enum ConversionOutcome
{
    case Same;
    /** it has the same meaning in the new form, apart from removed list entries */
    case Converted;
    /** it stays but exceeds a limit; the next save asks for another value */
    case Unfit;
    /** the field cannot store it; it remains in the item's revisions */
    case Lost;
}
