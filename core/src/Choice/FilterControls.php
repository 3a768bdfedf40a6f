<?php

declare(strict_types=1);

namespace Wellspring\Core\Choice;

use Wellspring\Core\Content\Field;

/** The register of filter controls. */
final class FilterControls
{
    /** @var array<string, FilterControl>|null */
    private static ?array $all = null;

    /** @return array<string, FilterControl> by key */
    public static function all(): array
    {
        if (self::$all === null) {
            self::reset();
        }

        return self::$all ?? [];
    }

    /** @return list<string> keys of those that suit a field */
    public static function suiting(Field $field): array
    {
        return array_keys(array_filter(self::all(), fn (FilterControl $control): bool => $control->suits($field)));
    }

    /** @param  FilterControl  $control  from an installation's plug-ins */
    public static function add(FilterControl $control): void
    {
        self::$all = self::all() + [$control->key() => $control];
    }

    /** Removes the plug-ins of an installation again. */
    public static function reset(): void
    {
        self::$all = [];
        foreach ([
            new Control\Options('tabs', 'tabs', links: true),
            new Control\Options('buttons', 'buttons', links: true),
            new Control\Options('checks', 'check boxes', several: true),
            new Control\Options('one', 'one choice'),
            new Control\Options('tree', 'a tree', several: true, below: true),
            new Control\Range,
            new Control\NumberButtons,
            new Control\Days,
            new Control\YesNo,
            new Control\SearchText,
            new Control\Letters,
            new Control\Near,
            new Control\Only,
        ] as $control) {
            self::$all[$control->key()] = $control;
        }
    }
}
