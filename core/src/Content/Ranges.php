<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** Checks ranges, such as the start and the end of an event. The end must not be earlier than the start. */
final class Ranges
{
    /**
     * Adds a problem to the end of each range that ends before it begins. A range with an empty end is open.
     *
     * @param  array<string, Field>  $fields  by key
     * @param  array<string, mixed>  $values  by key, as their kinds read them
     * @param  \Closure(string): string  $place  the path of a field’s problems, by the field’s key
     */
    public static function check(array $fields, array $values, Problems $problems, \Closure $place): void
    {
        foreach ($fields as $key => $field) {
            $begins = $fields[$field->limits->rangeFrom ?? ''] ?? null;
            $from = $begins === null ? null : $values[$begins->key] ?? null;
            $to = $values[$key] ?? null;
            // Days and instants are texts of a fixed form, which compare like their times.
            if ($begins !== null && $from !== null && $to !== null && $to < $from) {
                $problems->add(
                    $place($key),
                    ProblemCode::WrongValue,
                    "{$field->label} comes before {$begins->label}. Expected the same value as {$begins->label} or a "
                        .'later one.',
                    ['found' => Shape::describe($to)],
                );
            }
        }
    }
}
