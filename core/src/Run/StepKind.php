<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** The counted steps of a run, in order. */
enum StepKind: string
{
    case Source = 'source';
    case Where = 'where';
    case Choices = 'choices';
    case LeaveOut = 'leaveOut';
    case Empty = 'empty';
    case Total = 'total';
}
