<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Page\Address\PageAbout;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** Reads and validates a page's definition, format 1, against the site's types, taxonomies and modules. */
final readonly class PageReader
{
    public const FORMAT = 1;

    private const KEYS = [
        'format', 'key', 'address', 'about', 'title', 'showTitle', 'description', 'picture', 'menu', 'whenNotForYou',
        'bands', ...Schedule::KEYS,
    ];

    private const BAND_KEYS = ['key', 'tone', 'ground', 'slots', ...Schedule::KEYS];

    private const SLOT_KEYS = ['share', 'blocks', ...Schedule::KEYS];

    public const MAX_BANDS = 50;

    public const MAX_SLOTS = 4;

    public const MAX_BLOCKS = 50;

    /** The sum of the shares of a band's slots. */
    public const SHARES = 12;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public function read(mixed $data): PageDefinition
    {
        $problems = new Problems;
        $shape = new Shape($data, '', $problems, self::KEYS);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $address = self::address($shape);
        $about = $shape->has('about')
            ? PageAbout::read(new Shape($shape->raw('about'), 'about', $problems), $this->catalogue, $problems)
            : null;
        if ($address !== null && ($address->placeholder() === null) !== ! $shape->has('about')) {
            $shape->wrong(
                'address',
                $shape->has('about') ? 'a placeholder, such as {slug}, for what it is about' : 'no placeholder: '
                    .'nothing says what it is about',
                $address->pattern,
            );
        }
        $page = [
            'key' => self::key($shape),
            'about' => $about,
            'title' => $shape->text('title'),
            'showsTitle' => ! $shape->has('showTitle') || $shape->flag('showTitle'),
            'description' => $shape->text('description', ''),
            'picture' => $shape->has('picture') ? $shape->text('picture') : null,
            'menu' => self::menu($shape, $problems),
            'schedule' => Schedule::read($shape, $problems),
            'asksToSignIn' => $shape->oneOf('whenNotForYou', ['notFound', 'signIn'], 'notFound') === 'signIn',
            'bands' => $this->bands($shape, $problems, $about?->source($this->catalogue)?->type()),
        ];
        $shape->noOthers();
        $problems->refuseIfAny();

        return new PageDefinition(...$page, address: $address ?? throw new \LogicException('It was refused.'));
    }

    private static function key(Shape $shape): string
    {
        $key = $shape->text('key');
        if ($key !== '' && preg_match(Module::KEY, $key) !== 1) {
            $shape->wrong('key', '1 to 64 small letters, digits and hyphens', $key);
        }

        return $key;
    }

    private static function address(Shape $shape): ?AddressPattern
    {
        $address = $shape->text('address');
        try {
            return $address === '' ? null : AddressPattern::of($address);
        } catch (\InvalidArgumentException) {
            $shape->wrong('address', 'an address such as /groups or /groups/{group}', $address);

            return null;
        }
    }

    private static function menu(Shape $shape, Problems $problems): ?string
    {
        if (! $shape->has('menu')) {
            return null;
        }
        $menu = new Shape($shape->raw('menu'), 'menu', $problems);
        $label = $menu->text('label');
        $menu->noOthers();

        return $label;
    }

    /** @return list<Band> */
    private function bands(Shape $page, Problems $problems, ?Type $type): array
    {
        $bands = [];
        foreach ($this->list($page, 'bands', self::MAX_BANDS) as $i => $data) {
            $shape = new Shape($data, Path::to($page->at('bands'), $i), $problems, self::BAND_KEYS);
            $key = self::key($shape);
            if (isset($bands[$key])) {
                $shape->wrong('key', 'a key that no other band of the page has', $key);
            }
            $slots = $this->slots($shape, $problems, $type);
            $band = new Band(
                $key,
                $slots,
                Schedule::read($shape, $problems),
                Tone::from($shape->oneOf('tone', array_column(Tone::cases(), 'value'), Tone::Plain->value)),
                Ground::read($shape, $problems),
            );
            $shape->noOthers();
            $bands[$key] = $band;
        }

        return array_values($bands);
    }

    /** @return non-empty-list<Slot> */
    private function slots(Shape $band, Problems $problems, ?Type $type): array
    {
        $slots = [];
        foreach ($this->list($band, 'slots', self::MAX_SLOTS) as $i => $data) {
            $shape = new Shape($data, Path::to($band->at('slots'), $i), $problems, self::SLOT_KEYS);
            $share = $shape->wholeOrNull('share', 1, self::SHARES);
            if (! $shape->has('share')) {
                $shape->wrong('share', 'a whole number from 1 to '.self::SHARES, null);
            }
            $blocks = [];
            foreach ($this->list($shape, 'blocks', self::MAX_BLOCKS) as $n => $block) {
                $one = new Shape($block, Path::to($shape->at('blocks'), $n), $problems);
                $placed = PlacedBlock::read($one, $problems, $type);
                if ($placed !== null) {
                    $blocks[] = $placed;
                    $one->noOthers();
                }
            }
            $slots[] = new Slot(
                max(1, min(self::SHARES, $share ?? 1)),
                $blocks,
                Schedule::read($shape, $problems),
            );
            $shape->noOthers();
        }
        if (array_sum(array_column($slots, 'share')) !== self::SHARES) {
            $band->wrong('slots', 'one to four slots whose shares make '.self::SHARES, $band->raw('slots'));
        }

        return $slots === [] ? [new Slot(self::SHARES, [], Schedule::always())] : $slots;
    }

    /** @return list<mixed> */
    private function list(Shape $shape, string $key, int $most): array
    {
        $given = $shape->items($key);
        if (count($given) > $most) {
            $shape->wrong($key, "at most {$most}", $given);
        }

        return array_slice($given, 0, $most);
    }
}
