<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * The filters of a module elsewhere on the page: `{"block": "filters", "of": "plants"}`. `filters` limits them to some
 * names.
 */
final readonly class Filters implements Block
{
    use Defaults;

    /** @param  list<string>|null  $filters  names; null: all */
    public function __construct(public string $module, public ?array $filters = null)
    {
    }

    public static function key(): string
    {
        return 'filters';
    }

    public static function label(): string
    {
        return 'Filters of a listing';
    }

    public static function begin(BlockSite $site): ?array
    {
        $first = $site->filteredModules()[0] ?? null;

        return $first === null ? null : ['block' => self::key(), 'of' => $first->key];
    }

    public static function whyNone(): string
    {
        return 'No module lets visitors choose yet.';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $module = $shape->text('of');
        if ($module !== '' && preg_match(Module::KEY, $module) !== 1) {
            $shape->wrong('of', 'the key of a module', $module);
        }

        return new self($module, $shape->has('filters') ? $shape->slugs('filters') : null);
    }

    public static function optionSchemas(): array
    {
        return [
            'of' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'],
            'filters' => ['type' => 'array', 'uniqueItems' => true, 'items' => ['type' => 'string', 'minLength' => 1]],
        ];
    }

    public function scripts(): array
    {
        return ['choices'];
    }

    public function words(): string
    {
        return "the filters of {$this->module}";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'of' => $this->module]
            + ($this->filters === null ? [] : ['filters' => $this->filters]);
    }
}
