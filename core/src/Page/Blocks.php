<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

/** The register of blocks. */
final class Blocks
{
    private const ALL = [
        Block\ModuleBlock::class, Block\RichText::class, Block\Picture::class, Block\Heading::class,
        Block\PageTitle::class, Block\PageText::class, Block\PagePicture::class, Block\Fields::class,
        Block\Parts::class, Block\Breadcrumbs::class, Block\Menu::class, Block\SearchBox::class,
        Block\AccountLinks::class, Block\SignIn::class, Block\PreviousNext::class, Block\MapOfPlace::class,
        Block\Space::class, Block\Filters::class, Block\SearchForm::class, Block\Video::class,
        Block\ForAuthors::class,
    ];

    /** @var list<class-string<Block>> of an installation's own */
    private static array $added = [];

    /** @param  class-string<Block>  $block  of an installation's own */
    public static function add(string $block): void
    {
        self::$added[] = $block;
    }

    /** Takes those of an installation's own away again. */
    public static function reset(): void
    {
        self::$added = [];
    }

    /** @return array<string, class-string<Block>> by key */
    public static function all(): array
    {
        $all = [];
        foreach ([...self::ALL, ...self::$added] as $block) {
            $all[$block::key()] = $block;
        }

        return $all;
    }
}
