<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A picture from the site's files. */
final readonly class Picture implements Block
{
    use Defaults;

    public function __construct(public string $picture)
    {
    }

    public static function key(): string
    {
        return 'picture';
    }

    public static function label(): string
    {
        return 'Picture';
    }

    public static function begin(BlockSite $site): array
    {
        return ['block' => self::key(), 'picture' => ''];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        return new self($shape->raw('picture') === '' ? '' : $shape->text('picture'));
    }

    public static function optionSchemas(): array
    {
        return ['picture' => ['type' => 'string']];
    }

    public function words(): string
    {
        return $this->picture === '' ? 'a picture that is not chosen yet' : "the picture {$this->picture}";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'picture' => $this->picture];
    }
}
