<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A search box for the whole site. */
final readonly class SearchBox implements Block
{
    use Defaults;

    public static function key(): string
    {
        return 'searchBox';
    }

    public static function label(): string
    {
        return 'Search box';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self;
    }

    public function scripts(): array
    {
        return ['search'];
    }

    public function words(): string
    {
        return 'a search box';
    }
}
