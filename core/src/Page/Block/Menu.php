<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** One of the site's menus, by its key: `{"block": "menu", "menu": "main"}`. */
final readonly class Menu implements Block
{
    use Defaults;

    public function __construct(public string $menu)
    {
    }

    public static function key(): string
    {
        return 'menu';
    }

    public static function label(): string
    {
        return 'Menu';
    }

    public static function begin(BlockSite $site): array
    {
        return ['block' => self::key(), 'menu' => 'main'];
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $menu = $shape->text('menu');
        if ($menu !== '' && preg_match(Module::KEY, $menu) !== 1) {
            $shape->wrong('menu', 'the key of a menu', $menu);
        }

        return new self($menu);
    }

    public static function optionSchemas(): array
    {
        return ['menu' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$']];
    }

    public function words(): string
    {
        return "the menu {$this->menu}";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'menu' => $this->menu];
    }
}
