<?php

declare(strict_types=1);

namespace Wellspring\Core\Filter;

enum Join: string
{
    case All = 'all';
    case Any = 'any';
    case None = 'none';
}
