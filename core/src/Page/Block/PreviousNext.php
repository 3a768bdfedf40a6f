<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Block;
use Wellspring\Core\Page\Offer\BlockSite;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/**
 * Links to the records before and after the page's own item, term, month or person in a module's order: `{"block":
 * "previousNext", "order": "newest-posts"}`.
 */
final readonly class PreviousNext implements Block
{
    use Defaults;

    /** @param  string  $order  the module's key */
    public function __construct(public string $order)
    {
    }

    public static function key(): string
    {
        return 'previousNext';
    }

    public static function label(): string
    {
        return 'Previous and next';
    }

    public static function begin(BlockSite $site): ?array
    {
        $first = $site->orderModules()[0] ?? null;

        return $first === null ? null : ['block' => self::key(), 'order' => $first->key];
    }

    public static function whyNone(): string
    {
        return BlockSite::ONE_OF_MANY.' A module has to list them.';
    }

    public static function read(Shape $shape, Problems $problems, ?Type $type): self
    {
        if ($type === null) {
            $problems->add(
                $shape->at('block'),
                ProblemCode::WrongValue,
                'expected previous and next only on a page that is about terms, items, months or people.',
            );
        }
        $order = $shape->text('order');
        if ($order !== '' && preg_match(Module::KEY, $order) !== 1) {
            $shape->wrong('order', 'the key of a module', $order);
        }

        return new self($order);
    }

    public static function optionSchemas(): array
    {
        return ['order' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$']];
    }

    public function words(): string
    {
        return "previous and next of the module {$this->order}";
    }

    public function toArray(): array
    {
        return ['block' => self::key(), 'order' => $this->order];
    }
}
