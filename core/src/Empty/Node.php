<?php

declare(strict_types=1);

namespace Wellspring\Core\Empty;

/**
 * Something that is shown if anything of it is left: a part with its content, or a line, a card, a module, a slot or a
 * band with what stands in it.
 *
 * @template-covariant T of object
 */
final readonly class Node
{
    /**
     * @param  T|null  $content  of a leaf; null where there is nothing to show
     * @param  list<self<T>>  $children
     * @param  Level|null  $takes  of a leaf without content, what goes with it
     * @param  object|null  $of  of a branch, what it stands for
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
     * @param  Level  $takes  what goes with it: itself, or something that it stands in
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
     * @param  object|null  $of  what it stands for
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

    /** What goes with it where nothing of it is left: something that it stands in; null: nothing but itself. */
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
