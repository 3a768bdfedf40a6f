<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Place;
use Wellspring\Core\Page\PlaceTree;

/** Where something of the frame shows is ticked in the tree of pages: rules.md, “Places”. */
final class PlaceTreeTest extends TestCase
{
    private const TITLES = [
        '/' => 'Home', '/shop' => 'Shop', '/shop/{product}' => 'Product', '/shop/sale' => 'Sale',
        '/shop/sale/last' => 'Last', '/journal' => 'Journal', '/journal/{post}' => 'Post', '/visit' => 'Visit',
    ];

    /** @return array<string, bool> */
    private static function shown(Place $place): array
    {
        return array_column((new PlaceTree(self::TITLES))->rows($place), 'shows', 'address');
    }

    public function test_ticks_are_worked_by_hand(): void
    {
        $tree = new PlaceTree(self::TITLES);
        $everywhere = Place::everywhere();
        $this->assertSame('On every page, new pages too.', $tree->sentence($everywhere));

        // One page less, then a branch less; the page in it stays the branch's.
        $less = $tree->ticked($everywhere, '/visit', false, false);
        $this->assertSame(['on' => ['except' => ['/visit']]], $less->toArray());
        $less = $tree->ticked($less, '/shop', false, true);
        $this->assertSame(['on' => ['except' => ['/visit', '/shop/*']]], $less->toArray());
        $this->assertSame(
            'On every page except Visit and Shop and all below it; new pages too.',
            $tree->sentence($less),
        );
        $this->assertFalse($less->admits(AddressPattern::of('/shop/new'), '/shop/new'), 'a page made later, below');
        $this->assertTrue($less->admits(AddressPattern::of('/new'), '/new'), 'a page made later, elsewhere');

        // One page of the branch shows it all the same: the branch gives way to the names of the others.
        $one = $tree->ticked($less, '/shop/sale', true, false);
        $this->assertSame(
            ['on' => ['except' => ['/visit', '/shop', '/shop/sale/last', '/shop/{product}']]],
            $one->toArray(),
        );

        // From nothing: a page, then a branch that takes it in.
        $some = $tree->ticked(Place::of(false, []), '/shop/sale', true, false);
        $this->assertSame(['on' => ['pages' => ['/shop/sale']]], $some->toArray());
        $this->assertSame('Only on Sale.', $tree->sentence($some));
        $some = $tree->ticked($some, '/shop', true, true);
        $this->assertSame(['on' => ['pages' => ['/shop/*']]], $some->toArray());
        $this->assertSame([true, null], [
            array_column($tree->rows($some), 'branch', 'address')['/shop'],
            array_column($tree->rows($some), 'branch', 'address')['/visit'],
        ]);
        $this->assertSame(['on' => 'nowhere'], $tree->ticked($some, '/shop', false, true)->toArray());

        // The same pages, and new ones too: what is not ticked is named instead.
        $this->assertSame(
            ['on' => ['except' => ['/', '/journal/*', '/visit']]],
            $tree->withNewPages($some, true)->toArray(),
        );
        // A branch whose own address is no page, typed by hand, keeps its other pages.
        $rooms = new PlaceTree(['/rooms/east' => 'East', '/rooms/west' => 'West', '/visit' => 'Visit']);
        $this->assertSame(
            ['/rooms/west'],
            $rooms->ticked(Place::of(false, ['/rooms/*']), '/rooms/east', false, false)->names,
        );
        $this->assertSame('Only on all pages.', $rooms->sentence(Place::of(false, ['/*'])));
        $this->assertSame(
            ['/rooms/east', '/rooms/west'],
            $rooms->ticked(Place::of(false, ['/*']), '/visit', false, false)->names,
        );
        // A name that is no page of the tree, typed by hand, stays.
        $typed = Place::of(false, ['/groups/ferns', '/visit']);
        $this->assertSame(['/groups/ferns'], $tree->ticked($typed, '/visit', false, false)->names);
        $this->assertSame('Only on /groups/ferns and Visit.', $tree->sentence($typed));
        $this->assertSame(
            [0, 0, 1, 0, 1, 2, 1, 0],
            array_column($tree->rows($everywhere), 'depth'),
            'each page stands below the page that its address continues',
        );
    }

    /** Whatever is ticked: exactly the pages show it that a list of ticks would have. */
    public function test_drawn_ticks_agree_with_a_plain_list(): void
    {
        $tree = new PlaceTree(self::TITLES);
        mt_srand(19);
        for ($n = 0; $n < 60; $n++) {
            $place = mt_rand(0, 1) === 1 ? Place::everywhere() : Place::of(false, []);
            $shown = self::shown($place);
            for ($step = 0; $step < 12; $step++) {
                if (mt_rand(0, 5) === 0) {
                    $place = $tree->withNewPages($place, mt_rand(0, 1) === 1);
                } else {
                    $address = array_rand(self::TITLES);
                    [$shows, $below] = [mt_rand(0, 1) === 1, mt_rand(0, 1) === 1 && $address !== '/'];
                    $place = $tree->ticked($place, $address, $shows, $below);
                    foreach (array_keys($shown) as $one) {
                        $isMeant = $one === $address || $below && str_starts_with($one, "{$address}/");
                        $shown[$one] = $isMeant ? $shows : $shown[$one];
                    }
                }
                $this->assertSame($shown, self::shown($place), "sequence {$n}, step {$step}");
            }
        }
    }
}
