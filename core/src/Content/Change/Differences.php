<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Change;

use Wellspring\Core\Content\Blank;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Text\Html;

/** Compares two states of an item: values by column, in the form that ItemReader takes. */
final readonly class Differences
{
    /**
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     * @return list<Difference> in the order of the form; fields that the type no longer has come last, by their key
     */
    public static function between(Type $type, array $before, array $after): array
    {
        $differences = [];
        foreach (array_unique([
            ...array_keys(self::fields($type)),
            ...array_map(strval(...), array_keys($before + $after)),
        ]) as $key) {
            $was = $before[$key] ?? null;
            $is = $after[$key] ?? null;
            if (self::canonical($was) !== self::canonical($is)) {
                $field = self::fields($type)[$key] ?? null;
                $differences[] = new Difference(
                    $key,
                    $field->label ?? $key,
                    self::words($field, $was),
                    self::words($field, $is),
                );
            }
        }

        return $differences;
    }

    /**
     * Merges two people's changes of the same state: for each field the changed value. If both changed it differently,
     * mine is kept and the field is reported as a conflict.
     *
     * @param  array<string, mixed>  $base
     * @param  array<string, mixed>  $mine
     * @param  array<string, mixed>  $theirs
     * @return array{merged: array<string, mixed>, conflicts: list<string>}
     */
    public static function merge(array $base, array $mine, array $theirs): array
    {
        $merged = [];
        $conflicts = [];
        foreach (array_map(strval(...), array_keys($base + $mine + $theirs)) as $key) {
            [$was, $my, $their] = array_map(
                fn (array $values): string => self::canonical($values[$key] ?? null),
                [$base, $mine, $theirs],
            );
            $merged[$key] = ($my === $was ? $theirs : $mine)[$key] ?? null;
            if ($my !== $was && $their !== $was && $my !== $their) {
                $conflicts[] = $key;
            }
        }

        return ['merged' => $merged, 'conflicts' => $conflicts];
    }

    /** @return array<string, Field> everything of an item that a person sets */
    private static function fields(Type $type): array
    {
        $own = array_diff_key(Type::itemFields(), ['created_at' => 0, 'updated_at' => 0]);

        return array_intersect_key($type->reachable, $own) + ItemReader::choiceFields() + array_diff_key(
            $type->reachable,
            Type::itemFields(),
        );
    }

    /** A value as text for a table; empty if there is none. */
    public static function words(?Field $field, mixed $value): string
    {
        return match (true) {
            $value === null => '',
            $field === null => is_string($value)
                ? $value
                : (string) json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            $field->family() === Family::LongText => is_string($value) ? Html::visibleText($value) : '',
            $field->family() === Family::Choice => is_string($value) ? $field->choiceLabel($value) : '',
            $field->family() === Family::Choices => implode(
                ', ',
                array_map($field->choiceLabel(...), array_filter((array) $value, is_string(...))),
            ),
            default => $field->kind->writeCell($value, $field),
        };
    }

    /**
     * True if two states are equal, value for value: “007” is not “7”.
     *
     * @param  array<string, mixed>  $a
     * @param  array<string, mixed>  $b
     */
    public static function same(array $a, array $b): bool
    {
        foreach (array_keys($a + $b) as $key) {
            if (self::canonical($a[$key] ?? null) !== self::canonical($b[$key] ?? null)) {
                return false;
            }
        }

        return true;
    }

    /**
     * A form that is equal for values with the same meaning: the storage type of a whole number and the order of an
     * object’s keys do not count.
     */
    private static function canonical(mixed $value): string
    {
        if (is_array($value)) {
            array_is_list($value) || ksort($value);
        }

        return Blank::is($value)
            ? ''
            : (string) json_encode(
                is_float($value) && floor($value) === $value && abs($value) < 2 ** 53 ? (int) $value : $value,
            );
    }
}
