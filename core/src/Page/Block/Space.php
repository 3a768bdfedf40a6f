<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Empty space between blocks. */
final readonly class Space implements Block
{
    use Defaults;

    public static function key(): string
    {
        return 'space';
    }

    public static function label(): string
    {
        return 'Space';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self;
    }

    public function words(): string
    {
        return 'a space';
    }
}
