<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A line of text over what follows. */
final readonly class Heading implements Block
{
    use Defaults;

    public function __construct(public string $text)
    {
    }

    public static function key(): string
    {
        return 'heading';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self($shape->text('text'));
    }

    public static function optionSchemas(): array
    {
        return ['text' => ['type' => 'string', 'minLength' => 1]];
    }

    public function words(): string
    {
        return "the heading “{$this->text}”";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'text' => $this->text];
    }
}
