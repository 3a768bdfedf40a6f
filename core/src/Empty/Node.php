<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/**
 * A node that shows if any of its children shows: a leaf is a part or block with its content; a branch is a line, a
 * card, a module, a slot or a band.
 *
 * @template-covariant T of object
 */
final readonly class Node
{
    /**
     * @param  T|null  $content  of a leaf; null if there is nothing to show
     * @param  list<self<T>>  $children
     * @param  Level|null  $takes  for an empty leaf, the level to remove
     * @param  object|null  $of  for a branch, the object that it represents
     */
    private function __construct(
        public Level $level,
        public ?object $content,
        public array $children,
        private ?Level $takes = null,
        public ?object $of = null,
    ) {
    }

    /**
     * @template C of object
     *
     * @param  C  $content
     * @return self<C>
     */
    public static function leaf(Level $level, object $content): self
    {
        return new self($level, $content, []);
    }

    /**
     * @param  Level  $takes  the level to remove: its own or a larger one
     * @return self<never>
     */
    public static function emptyLeaf(Level $level, Level $takes): self
    {
        /** @var self<never> $node */
        $node = new self($level, null, [], $takes);

        return $node;
    }

    /**
     * @template C of object
     *
     * @param  list<self<C>>  $children
     * @param  object|null  $of  the object that it represents
     * @return self<C>
     */
    public static function branch(Level $level, array $children, ?object $of = null): self
    {
        return new self($level, null, $children, of: $of);
    }

    /** @return self<T>|null what is left, bottom up; null where nothing is */
    public function left(): ?self
    {
        return $this->reduced()[0];
    }

    /** The ancestor to remove when this node is empty; null: only the node itself. */
    public function takes(): ?Level
    {
        return $this->reduced()[1];
    }

    /** @return array{self<T>|null, Level|null} what is left, and what goes with what is not */
    private function reduced(): array
    {
        if ($this->content !== null) {
            return [$this, null];
        }
        if ($this->takes !== null) {
            return [null, $this->takes];
        }
        $left = [];
        $widest = null;
        foreach ($this->children as $child) {
            [$kept, $takes] = $child->reduced();
            if ($takes !== null && $takes->value >= $this->level->value) {
                $widest = $widest !== null && $widest->value > $takes->value ? $widest : $takes;
            }
            if ($kept !== null) {
                $left[] = $kept;
            }
        }
        if ($widest !== null) {
            return [null, $widest];
        }

        return [$left === [] ? null : new self($this->level, null, $left, of: $this->of), null];
    }
}
