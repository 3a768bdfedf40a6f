<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** What kind of fault a problem is: stable names, for programs to read. The message says the rest to people. */
enum ProblemCode: string
{
    // What is there is not right.

    /** A value of another form or outside its bounds; the message says what was expected. */
    case WrongValue = 'wrongValue';
    /** A key or column that has to be there is not, or holds nothing. */
    case Missing = 'missing';
    case Twice = 'twice';
    case TooMany = 'tooMany';
    case TooDeep = 'tooDeep';
    /** Markup or a pattern that would take too long to read. */
    case TooComplex = 'tooComplex';
    /** More bytes than are taken. */
    case TooLarge = 'tooLarge';
    case TooManyPixels = 'tooManyPixels';
    case NotAnObject = 'notAnObject';
    case NotAList = 'notAList';
    /** A list of rules that is not joined by exactly one of all, any and none. */
    case WrongGroup = 'wrongGroup';
    /** What a module draws from is not exactly one of the sources. */
    case WrongSource = 'wrongSource';
    /** A kind of field that cannot stand where it does. */
    case WrongKind = 'wrongKind';
    /** A key that is not made of small letters, digits and _. */
    case WrongKey = 'wrongKey';
    /** A row of a table with another number of cells than there are columns. */
    case WrongRow = 'wrongRow';

    // A name that means nothing here.

    case UnknownKey = 'unknownKey';
    case UnknownField = 'unknownField';
    case UnknownColumn = 'unknownColumn';
    case UnknownKind = 'unknownKind';
    case UnknownType = 'unknownType';
    case UnknownItem = 'unknownItem';
    case UnknownTerm = 'unknownTerm';
    case UnknownGroup = 'unknownGroup';
    case UnknownPerson = 'unknownPerson';
    case UnknownPicture = 'unknownPicture';
    case UnknownFile = 'unknownFile';
    /** Someone else's file, which its readers do not see yet. */
    case ClosedFile = 'closedFile';
    case UnknownModule = 'unknownModule';
    case UnknownVersion = 'unknownVersion';
    case Unknown = 'unknown';

    // A name that is not free.

    case Taken = 'taken';
    /** A key that a taxonomy has, or that rules and imports mean something else by. */
    case TakenKey = 'takenKey';
    /** A key that rules and imports mean something else by. */
    case ReservedKey = 'reservedKey';

    // What stands in the way.

    case InUse = 'inUse';
    /** Somebody else changed it since it was read. */
    case ChangedSince = 'changedSince';
    /** It has been taken back already. */
    case Undone = 'undone';
    case Busy = 'busy';
    case Failed = 'failed';
    case NotLive = 'notLive';
    case NotSignedIn = 'notSignedIn';
    case LastManager = 'lastManager';
    /** A password that has been published. */
    case Published = 'published';
    /** More is kept than the site's setting allows. */
    case Quota = 'quota';

    // Files that cannot be read.

    case Empty = 'empty';
    case Unreadable = 'unreadable';
    case Broken = 'broken';
    case NotUtf8 = 'notUtf8';
    case NotJson = 'notJson';
    case NotAZip = 'notAZip';
    case NotAPicture = 'notAPicture';
    /** A path within an archive that leads out of it. */
    case Outside = 'outside';
    /** A quotation in a table that never ends. */
    case OpenQuote = 'openQuote';
    case NoHeader = 'noHeader';
    case NoColumns = 'noColumns';
    case MissingColumn = 'missingColumn';
    /** Several rows or items fit where one was expected. */
    case Many = 'many';
}
