<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Common code of blocks about the page's record; on a page about nothing, about the page itself. */
trait OfSubject
{
    use Defaults {
        toArray as private keyAlone;
    }

    public function __construct(public readonly EmptyRule $empty = new EmptyRule)
    {
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self(EmptyRule::read($shape, $problems, EmptyAction::ofBlocks()));
    }

    public static function optionSchemas(): array
    {
        return ['empty' => ['$ref' => '#/$defs/empty']];
    }

    public function whenEmpty(): EmptyRule
    {
        return $this->empty;
    }

    public function toArray(): array
    {
        return $this->keyAlone()
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }
}
