<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Html;

/** Text with markup. Visitors do not see an empty one. */
final readonly class RichText implements Block
{
    use Defaults;

    public function __construct(public string $html)
    {
    }

    public static function key(): string
    {
        return 'text';
    }

    public static function label(): string
    {
        return 'Text';
    }

    public static function begin(BlockSite $site): array
    {
        return ['block' => self::key(), 'html' => ''];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self($shape->raw('html') === '' ? '' : $shape->text('html'));
    }

    public static function optionSchemas(): array
    {
        return ['html' => ['type' => 'string']];
    }

    public function words(): string
    {
        if ($this->html === '') {
            return 'a text without words';
        }

        return 'the text “'.mb_strimwidth(Html::visibleText($this->html), 0, 40, '…').'”';
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'html' => $this->html];
    }
}
