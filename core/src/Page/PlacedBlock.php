<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** A block where it stands, with for whom and when. */
final readonly class PlacedBlock
{
    public function __construct(public Block $block, public Schedule $schedule)
    {
    }

    /**
     * What cannot be read is noted; keys that a place around it has are left for its reader.
     *
     * @param  Type|null  $type  of what the page is about
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
