<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Content\Reference;
use Wellspring\Core\Who\Audience;

final readonly class MenuEntry
{
    /**
     * @param  array{string}|array{string, string}  $named  the key or the address; for a term or an item, its taxonomy
     *   or type and its slug
     * @param  string|null  $label  null: the title of its target
     * @param  list<self>  $entries  below it
     */
    public function __construct(
        public MenuTarget $target,
        public array $named,
        public ?string $label,
        public Audience $audience,
        public array $entries,
    ) {
    }

    public function words(): string
    {
        $what = implode('/', $this->named);
        $what = $this->target === MenuTarget::Link ? $what : "{$this->target->value} {$what}";

        return $this->label === null ? $what : "“{$this->label}” ({$what})";
    }

    /** @return list<string> keys of the modules that fill it or entries below it */
    public function modules(): array
    {
        return [
            ...$this->target === MenuTarget::Module ? [$this->named[0]] : [],
            ...array_merge(...array_map(fn (self $entry): array => $entry->modules(), $this->entries)),
        ];
    }

    /**
     * @param  string  $at  its place in the definition
     * @return list<Reference> where it, and entries below it, name terms
     */
    public function references(string $at): array
    {
        $all = $this->target === MenuTarget::Term && isset($this->named[1])
            ? [Reference::toTerm("{$at}.term[1]", $this->named[0], $this->named[1])]
            : [];
        foreach ($this->entries as $i => $entry) {
            array_push($all, ...$entry->references("{$at}.entries[{$i}]"));
        }

        return $all;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [$this->target->value => count($this->named) === 1 ? $this->named[0] : $this->named]
            + ($this->label === null ? [] : ['label' => $this->label])
            + ($this->audience->keys === Audience::everyone()->keys ? [] : ['audience' => $this->audience->keys])
            + ($this->entries === [] ? [] : [
                'entries' => array_map(fn (self $entry): array => $entry->toArray(), $this->entries),
            ]);
    }
}
