<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Arrangement\PictureOptions;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Empty\EmptyAction;
use Wellspring\Core\Empty\EmptyRule;
use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The picture of the page's record, in a shape: `{"block": "pagePicture", "shape": "square"}`. */
final readonly class PagePicture implements Block
{
    use Defaults {
        toArray as private keyAlone;
    }

    private function __construct(private OptionValues $values, private EmptyRule $empty)
    {
    }

    public static function key(): string
    {
        return 'pagePicture';
    }

    public static function label(): string
    {
        return 'The page’s picture';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self(
            OptionValues::read(self::options(), $shape),
            EmptyRule::read($shape, $problems, EmptyAction::ofBlocks()),
        );
    }

    public static function optionSchemas(): array
    {
        return OptionValues::schemas(self::options()) + ['empty' => ['$ref' => '#/$defs/empty']];
    }

    public function words(): string
    {
        return 'the page’s picture';
    }

    public function whenEmpty(): EmptyRule
    {
        return $this->empty;
    }

    /** @return list<string> classes of resources/css/site/blocks/picture.css; none where it has its own shape */
    public function classes(): array
    {
        $shape = $this->values->text('shape');

        return $shape === 'own' ? [] : ['in-shape', "shape-{$shape}", "crop-{$this->values->text('crop')}"];
    }

    public function toArray(): array
    {
        return $this->keyAlone() + $this->values->said()
            + ($this->empty->do === EmptyAction::LeaveOut ? [] : ['empty' => $this->empty->toArray()]);
    }

    public static function options(): array
    {
        return [PictureOptions::shape('own'), PictureOptions::crop()];
    }
}
