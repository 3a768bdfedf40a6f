<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

/** The kinds of problems: stable codes for programs. The message is for people. */
enum ProblemCode: string
{
    // The value is wrong.

    /** A value of another form or outside its bounds; the message names what was expected. */
    case WrongValue = 'wrongValue';
    /** A required key or column is missing or empty. */
    case Missing = 'missing';
    case Twice = 'twice';
    case TooMany = 'tooMany';
    case TooDeep = 'tooDeep';
    /** Markup or a pattern that would take too long to read. */
    case TooComplex = 'tooComplex';
    /** Too many bytes. */
    case TooLarge = 'tooLarge';
    case TooManyPixels = 'tooManyPixels';
    case NotAnObject = 'notAnObject';
    case NotAList = 'notAList';
    /** A list of rules without exactly one of all, any and none. */
    case WrongGroup = 'wrongGroup';
    /** A source that is not exactly one of the kinds. */
    case WrongSource = 'wrongSource';
    /** A kind of field that is not allowed at this place. */
    case WrongKind = 'wrongKind';
    /** A key with other characters than small letters, digits and _. */
    case WrongKey = 'wrongKey';
    /** A row with another number of cells than there are columns. */
    case WrongRow = 'wrongRow';

    // An unknown name.

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
    /** Another person's file, which the readers of the item cannot see yet. */
    case ClosedFile = 'closedFile';
    case UnknownModule = 'unknownModule';
    case UnknownVersion = 'unknownVersion';
    case Unknown = 'unknown';

    // The name is taken.

    case Taken = 'taken';
    /** A key of a taxonomy, or a reserved key. */
    case TakenKey = 'takenKey';
    /** A reserved key, which has a meaning in rules and imports. */
    case ReservedKey = 'reservedKey';

    // A conflict.

    case InUse = 'inUse';
    /** Another person changed it since it was loaded. */
    case ChangedSince = 'changedSince';
    /** It was already undone. */
    case Undone = 'undone';
    case Busy = 'busy';
    case Failed = 'failed';
    case NotLive = 'notLive';
    case NotSignedIn = 'notSignedIn';
    case LastManager = 'lastManager';
    /** A published password. */
    case Published = 'published';
    /** More than the site's limit is stored. */
    case Quota = 'quota';

    // Unreadable files.

    case Empty = 'empty';
    case Unreadable = 'unreadable';
    case Broken = 'broken';
    case NotUtf8 = 'notUtf8';
    case NotJson = 'notJson';
    case NotAZip = 'notAZip';
    case NotAPicture = 'notAPicture';
    /** A path in an archive that leads out of it. */
    case Outside = 'outside';
    /** A quotation in a table without an end. */
    case OpenQuote = 'openQuote';
    case NoHeader = 'noHeader';
    case NoColumns = 'noColumns';
    case MissingColumn = 'missingColumn';
    /** Several rows or items match where one was expected. */
    case Many = 'many';
}
