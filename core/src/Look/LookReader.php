<?php

declare(strict_types=1);

namespace Wellspring\Core\Look;

use Wellspring\Core\Option\OptionValues;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** Reads and validates a look's definition, format 1. */
final class LookReader
{
    public const FORMAT = 1;

    /** Maximum size of the style sheet in bytes. */
    private const LONGEST_SHEET = 50_000;

    public const KEY = '/^[a-z0-9-]{1,64}$/D';

    /**
     * @param  mixed  $data  decoded JSON
     *
     * @throws Refused with every fault, each at its path
     */
    public static function read(mixed $data): Look
    {
        $problems = new Problems;
        $shape = new Shape($data, '', $problems, ['format', 'key', 'name', 'colours', 'dark']);
        if ($shape->raw('format') !== self::FORMAT) {
            $shape->wrong('format', 'the format number '.self::FORMAT, $shape->raw('format'));
        }
        $key = $shape->text('key');
        if ($key !== '' && preg_match(self::KEY, $key) !== 1) {
            $shape->wrong('key', '1 to 64 small letters, digits and hyphens', $key);
        }
        $name = $shape->text('name');
        if (mb_strlen($name) > 100) {
            $shape->wrong('name', 'at most 100 characters', $name);
        }
        $colours = Palette::read($shape->inner('colours'));
        $dark = $shape->has('dark') ? Palette::read($shape->inner('dark')) : null;
        $groups = [];
        foreach (LookOptions::all() as $group => $options) {
            if ($shape->has($group)) {
                $inner = $shape->inner($group);
                $groups[$group] = OptionValues::read($options, $inner);
                $inner->noOthers();
            } else {
                $groups[$group] = OptionValues::defaults($options);
            }
        }
        if ($dark === null && $groups['light']->text('scheme') !== 'light') {
            $shape->wrong('dark', 'colours in the dark, since the look has them', null);
        }
        $css = self::css($shape);
        $shape->noOthers();
        $problems->refuseIfAny();

        return new Look($key, $name, $colours, $dark, $groups, $css);
    }

    private static function css(Shape $shape): string
    {
        $css = $shape->raw('css') ?? '';
        if (! is_string($css) || strlen($css) > self::LONGEST_SHEET || ! mb_check_encoding($css, 'UTF-8')) {
            $shape->wrong('css', 'a style sheet of at most '.self::LONGEST_SHEET.' bytes', $css);

            return '';
        }

        return trim($css);
    }

    /** @return array<string, mixed> JSON Schema (2020-12) */
    public static function schema(): array
    {
        $colour = ['type' => 'string', 'pattern' => '^#[0-9a-fA-F]{6}$'];
        $roles = array_column(Role::cases(), 'value');
        $groups = [];
        foreach (LookOptions::all() as $group => $options) {
            $groups[$group] = [
                'type' => 'object',
                'additionalProperties' => false,
                'properties' => OptionValues::schemas($options),
            ];
        }

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'A Wellspring look, format '.self::FORMAT,
            'type' => 'object',
            'required' => ['format', 'key', 'name', 'colours'],
            'additionalProperties' => false,
            'properties' => [
                'format' => ['const' => self::FORMAT],
                'key' => ['type' => 'string', 'pattern' => '^[a-z0-9-]{1,64}$'],
                'name' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 100],
                'colours' => ['$ref' => '#/$defs/palette'],
                'dark' => ['$ref' => '#/$defs/palette'],
                ...$groups,
                'css' => ['type' => 'string', 'maxLength' => self::LONGEST_SHEET],
            ],
            '$defs' => ['palette' => [
                'type' => 'object',
                'required' => $roles,
                'additionalProperties' => false,
                'properties' => array_fill_keys($roles, $colour),
            ]],
        ];
    }
}
