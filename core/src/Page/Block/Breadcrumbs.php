<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The pages and terms above the current page, from the home page down. */
final readonly class Breadcrumbs implements Block
{
    use Defaults;

    public static function key(): string
    {
        return 'breadcrumbs';
    }

    public static function label(): string
    {
        return 'Breadcrumbs';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self;
    }

    public function words(): string
    {
        return 'breadcrumbs';
    }
}
