<?php

declare(strict_types=1);

namespace Tests\Support\Plugins;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Block\Defaults;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A block: words in capitals. */
final readonly class Shout implements Block
{
    use Defaults;

    public function __construct(public string $words)
    {
    }

    public static function key(): string
    {
        return 'shout';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self($shape->text('words'));
    }

    public static function optionSchemas(): array
    {
        return ['words' => ['type' => 'string']];
    }

    public function words(): string
    {
        return "“{$this->words}”, loud";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'words' => $this->words];
    }
}
