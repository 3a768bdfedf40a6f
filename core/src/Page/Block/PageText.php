<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The text of what the page is about; of a page about nothing but itself, its own. */
final readonly class PageText implements Block
{
    use Defaults;

    public function __construct(public EmptyRule $empty = new EmptyRule)
    {
    }

    public static function key(): string
    {
        return 'pageText';
    }

    public static function read(Shape $shape, Problems $problems): self
    {
        return new self(EmptyRule::read($shape, $problems));
    }

    public static function optionSchemas(): array
    {
        return ['empty' => ['$ref' => '#/$defs/empty']];
    }

    public function words(): string
    {
        return 'the page’s text';
    }

    public function toArray(): array
    {
        return ['block' => self::key()] + ($this->empty == new EmptyRule ? [] : ['empty' => $this->empty->toArray()]);
    }
}
