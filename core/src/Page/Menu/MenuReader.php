<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Menu;

use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Schedule;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Text\Slug;

/** Reads and validates a menu's definition, format 1, against the site's pages, types and modules. */
final readonly class MenuReader
{
    public const FORMAT = 1;

    /** Maximum number of entries on one level. */
    public const MAX_ENTRIES = 200;

    /** Maximum number of entries on all levels, because a menu appears on every page. */
    public const MAX_IN_ALL = 1_000;

    /** Maximum number of levels. */
    public const MAX_DEPTH = 5;

    public function __construct(private Catalogue $catalogue)
    {
    }

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public function read(mixed $data): MenuDefinition
    {
        $problems = new Problems;
        $shape = new Shape($data, '', $problems, ['format', 'key', 'entries']);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $key = $shape->text('key');
        if ($key !== '' && preg_match(Module::KEY, $key) !== 1) {
            $shape->wrong('key', '1 to 64 small letters, digits and hyphens', $key);
        }
        $left = self::MAX_IN_ALL;
        $entries = $this->entries($shape, $problems, 1, $left);
        if ($left < 0) {
            $problems->add(
                'entries',
                ProblemCode::TooMany,
                'expected at most '.number_format(self::MAX_IN_ALL).' entries in all.',
            );
        }
        $shape->noOthers();
        $problems->refuseIfAny();

        return new MenuDefinition($key, $entries);
    }

    /**
     * @param  int  $left  the number of further entries that the menu may have; reading stops below zero
     * @return list<MenuEntry>
     */
    private function entries(Shape $in, Problems $problems, int $depth, int &$left): array
    {
        $given = $in->items('entries');
        $left -= count($given);
        if ($left < 0) {
            return [];
        }
        if (count($given) > self::MAX_ENTRIES) {
            $in->wrong('entries', 'at most '.self::MAX_ENTRIES, $given);
        }
        if ($given !== [] && $depth > self::MAX_DEPTH) {
            $problems->add(
                $in->at('entries'),
                ProblemCode::TooDeep,
                'expected at most '.self::MAX_DEPTH.' levels below each other.',
            );

            return [];
        }
        $entries = [];
        foreach (array_slice($given, 0, self::MAX_ENTRIES) as $i => $one) {
            $shape = new Shape($one, Path::to($in->at('entries'), $i), $problems);
            $entries[] = $this->entry($shape, $problems, $depth, $left);
        }

        return array_values(array_filter($entries));
    }

    private function entry(Shape $shape, Problems $problems, int $depth, int &$left): ?MenuEntry
    {
        $said = array_values(array_filter(
            MenuTarget::cases(),
            fn (MenuTarget $one): bool => $shape->has($one->value),
        ));
        if (count($said) !== 1) {
            $problems->add(
                $shape->path,
                ProblemCode::WrongValue,
                'expected exactly one of '.implode(', ', array_column(MenuTarget::cases(), 'value')).'.',
            );

            return null;
        }
        $named = $this->named($shape, $said[0]);
        $audience = Schedule::audience($shape, $problems);
        [$label, $entries] = [null, []];
        // Entries that a module fills have the names and the order of its records.
        if ($said[0] !== MenuTarget::Module) {
            $label = $shape->has('label') || $said[0] === MenuTarget::Link ? $shape->text('label') : null;
            $entries = $this->entries($shape, $problems, $depth + 1, $left);
        }
        $shape->noOthers();

        return $named === null ? null : new MenuEntry($said[0], $named, $label, $audience, $entries);
    }

    /** @return array{string}|array{string, string}|null */
    private function named(Shape $shape, MenuTarget $target): ?array
    {
        return match ($target) {
            MenuTarget::Page, MenuTarget::Module => self::key($shape, $target->value),
            MenuTarget::Link => self::link($shape),
            MenuTarget::Term => self::record($shape, 'term', array_keys($this->catalogue->taxonomies), 'taxonomy'),
            MenuTarget::Item => self::record($shape, 'item', array_keys($this->catalogue->types), 'content type'),
        };
    }

    /** @return array{string}|null */
    private static function key(Shape $shape, string $what): ?array
    {
        $key = $shape->text($what);
        if (preg_match(Module::KEY, $key) !== 1) {
            $key === '' || $shape->wrong($what, "the key of a {$what}", $key);

            return null;
        }

        return [$key];
    }

    /** @return array{string}|null */
    private static function link(Shape $shape): ?array
    {
        $link = $shape->text('link');
        $isLink = preg_match('~^(/(?!/)\S*|https?://\S+|mailto:\S+@\S+|tel:\+?[0-9() -]+)$~D', $link) === 1;
        if (! $isLink) {
            $link === '' || $shape->wrong('link', 'an address such as /garden or https://example.org', $link);

            return null;
        }

        return [$link];
    }

    /**
     * @param  list<int|string>  $known
     * @return array{string, string}|null
     */
    private static function record(Shape $shape, string $key, array $known, string $what): ?array
    {
        $said = $shape->raw($key);
        $isPair = is_array($said) && array_is_list($said) && count($said) === 2;
        if (
            ! $isPair || ! is_string($said[0]) || ! is_string($said[1])
            || ! in_array($said[0], array_map(strval(...), $known), true) || ! Slug::isOne($said[1])
        ) {
            $shape->wrong($key, "a list of a {$what} (".implode(', ', $known).') and a slug', $said);

            return null;
        }

        return [$said[0], $said[1]];
    }
}
