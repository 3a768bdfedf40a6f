<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

enum Status: string
{
    case Draft = 'draft';
    case Published = 'published';
}
