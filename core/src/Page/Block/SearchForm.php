<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Wording\Format;

/**
 * Filters of a module on another page, with a button that leads there: `{"block": "searchForm", "of": "plots", "page":
 * "/plots", "filters": ["villages"], "button": "Show {total}"}`. The button's text is an ICU MessageFormat pattern that
 * may contain the number of results.
 */
final readonly class SearchForm implements Block
{
    use Defaults;

    public const BUTTON = '{total, plural, =0 {Nothing fits} one {Show the one} other {Show #}}';

    private const ADDRESS = '~^/[^?#{}\\s]*$~D';

    /** @param  list<string>|null  $filters  names; null: all */
    public function __construct(
        public string $module,
        public string $page,
        public ?array $filters = null,
        public string $button = self::BUTTON,
    ) {
    }

    public static function key(): string
    {
        return 'searchForm';
    }

    public static function label(): string
    {
        return 'Search form';
    }

    public static function begin(BlockSite $site): ?array
    {
        foreach ($site->filteredModules() as $one) {
            if ($one->addresses !== []) {
                return ['block' => self::key(), 'of' => $one->key, 'page' => $one->addresses[0]];
            }
        }

        return null;
    }

    public static function whyNone(): string
    {
        return 'No module that lets visitors choose is on a live page yet.';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        $module = $shape->text('of');
        if ($module !== '' && preg_match(Module::KEY, $module) !== 1) {
            $shape->wrong('of', 'the key of a module', $module);
        }
        $page = $shape->text('page');
        if ($page !== '' && preg_match(self::ADDRESS, $page) !== 1) {
            $shape->wrong('page', 'the address of the page that the module stands on, such as /plots', $page);
        }
        $button = $shape->text('button', self::BUTTON);
        if (! Format::saysPlaces($button)) {
            $shape->wrong('button', 'a pattern of ICU’s MessageFormat that names nothing but total', $button);
        }

        return new self($module, $page, $shape->has('filters') ? $shape->slugs('filters') : null, $button);
    }

    public static function optionSchemas(): array
    {
        return Filters::optionSchemas() + [
            'page' => ['type' => 'string', 'pattern' => trim(self::ADDRESS, '~D')],
            'button' => ['type' => 'string', 'minLength' => 1],
        ];
    }

    public function scripts(): array
    {
        return ['choices'];
    }

    public function words(): string
    {
        return "a search form for {$this->module}";
    }

    public function offersChoicesOf(): array
    {
        return [$this->module];
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'of' => $this->module, 'page' => $this->page]
            + ($this->filters === null ? [] : ['filters' => $this->filters])
            + ($this->button === self::BUTTON ? [] : ['button' => $this->button]);
    }
}
