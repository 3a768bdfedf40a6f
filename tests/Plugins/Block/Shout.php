<?php

declare(strict_types=1);

namespace Tests\Plugins\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Option\Words;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Defaults;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A block: words in capitals. */
final readonly class Shout implements Block
{
    use Defaults;

    public function __construct(public OptionValues $values)
    {
    }

    public static function key(): string
    {
        return 'shout';
    }

    public static function label(): string
    {
        return 'Loud words';
    }

    public static function options(): array
    {
        return [new Words('words', 'Words', 'hello')];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self(OptionValues::read(self::options(), $shape));
    }

    public function words(): string
    {
        return "“{$this->values->text('words')}”, loud";
    }

    public function toArray(): array
    {
        return ['block' => self::key()] + $this->values->said();
    }
}
