<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A line of text above other blocks. Visitors do not see an empty one. */
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

    public static function label(): string
    {
        return 'Heading';
    }

    public static function begin(BlockSite $site): array
    {
        return ['block' => self::key(), 'text' => ''];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self($shape->raw('text') === '' ? '' : $shape->text('text'));
    }

    public static function optionSchemas(): array
    {
        return ['text' => ['type' => 'string']];
    }

    public function words(): string
    {
        return $this->text === '' ? 'a heading without words' : "the heading “{$this->text}”";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'text' => $this->text];
    }
}
