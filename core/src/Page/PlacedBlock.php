<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A block in its slot, with its audience and dates. */
final readonly class PlacedBlock
{
    public function __construct(public Block $block, public Schedule $schedule)
    {
    }

    /**
     * Adds problems if it is invalid. Keys of the surrounding object are left to its reader.
     *
     * @param  Type|null  $type  of the page's record
     * @return self|null null where there is no such block
     */
    public static function read(Shape $shape, Problems $problems, ?Type $type = null): ?self
    {
        $all = Blocks::all();
        $module = Block\ModuleBlock::key();
        $others = array_keys(array_diff_key($all, [$module => 0]));
        $key = $shape->has($module) ? $module : $shape->oneOf('block', $others);
        if (! $shape->has($module) && $shape->raw('block') !== $key) {
            return null;
        }

        return new self($all[$key]::read($shape, $problems, $type), Schedule::read($shape, $problems));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->block->toArray() + $this->schedule->toArray();
    }
}
