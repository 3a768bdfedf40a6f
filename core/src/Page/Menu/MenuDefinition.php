<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Content\Reference;

/** The definition of a menu, validated by MenuReader. */
final readonly class MenuDefinition
{
    /** @param  list<MenuEntry>  $entries  first to last */
    public function __construct(public string $key, public array $entries)
    {
    }

    /** @return list<Reference> where it names terms */
    public function references(): array
    {
        $all = [];
        foreach ($this->entries as $i => $entry) {
            array_push($all, ...$entry->references("entries[{$i}]"));
        }

        return $all;
    }

    /** @return list<string> keys of the modules that fill branches of it, each once */
    public function modules(): array
    {
        $keys = array_map(fn (MenuEntry $entry): array => $entry->modules(), $this->entries);

        return array_values(array_unique(array_merge(...$keys)));
    }

    /** @return array<string, mixed> as a file of format 1 holds it */
    public function toArray(): array
    {
        return [
            'format' => MenuReader::FORMAT,
            'key' => $this->key,
            'entries' => array_map(fn (MenuEntry $entry): array => $entry->toArray(), $this->entries),
        ];
    }
}
