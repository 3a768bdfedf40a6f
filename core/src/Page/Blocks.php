<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Page\Offer\OfferedBlock;

/** The register of blocks. */
final class Blocks
{
    /** The order of the list of blocks to add. */
    private const ALL = [
        Block\ModuleBlock::class, Block\Heading::class, Block\RichText::class, Block\Picture::class,
        Block\Video::class, Block\PageTitle::class, Block\PageText::class, Block\PagePicture::class,
        Block\Fields::class, Block\Parts::class, Block\MapOfPlace::class, Block\PreviousNext::class,
        Block\Breadcrumbs::class, Block\Menu::class, Block\SearchBox::class, Block\Filters::class,
        Block\SearchForm::class, Block\AccountLinks::class, Block\SignIn::class, Block\ForAuthors::class,
        Block\Space::class,
    ];

    /** @var list<class-string<Block>> of an installation's own */
    private static array $added = [];

    /** @param  class-string<Block>  $block  from an installation's plug-ins */
    public static function add(string $block): void
    {
        self::$added[] = $block;
    }

    /** Removes the plug-ins of an installation again. */
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

    /** @return list<OfferedBlock> what can be put into a slot besides modules, and what cannot, with the reason */
    public static function offered(BlockSite $site): array
    {
        $kinds = array_diff_key(self::all(), [Block\ModuleBlock::key() => 0]);

        return array_values(array_map(
            fn (string $kind): OfferedBlock => new OfferedBlock($kind::key(), $kind::begin($site), $kind::whyNone()),
            $kinds,
        ));
    }
}
