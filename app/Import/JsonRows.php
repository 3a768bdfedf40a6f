<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;

/** Reads items from JSON: a list of objects, or one object per line (detected by the first character). */
final class JsonRows
{
    /**
     * Maximum size in bytes of a list, which is read as a whole, and of one line: PHP needs up to fifty times as much
     * memory.
     */
    private const LONGEST_LIST = 5_242_880;

    private const LONGEST_LINE = 4_000_000;

    /**
     * @return \Generator<int, Row>
     *
     * @throws Refused
     */
    public static function of(string $path): \Generator
    {
        $file = is_file($path) ? fopen($path, 'rb') : false;
        if ($file === false) {
            throw Refused::because('', ProblemCode::Unreadable, "“{$path}” cannot be read.");
        }
        try {
            $first = ltrim((string) fgets($file, 4096));
            rewind($file);
            if (str_starts_with($first, '{')) {
                yield from self::lines($file);
            } else {
                $text = (string) stream_get_contents($file, self::LONGEST_LIST + 1);
                foreach (self::list($text) as $i => $values) {
                    yield self::row('item '.($i + 1), $values);
                }
            }
        } finally {
            fclose($file);
        }
    }

    /**
     * @param  resource  $file
     * @return \Generator<int, Row>
     */
    private static function lines($file): \Generator
    {
        for ($line = 1; ($text = fgets($file)) !== false; $line++) {
            if (strlen($text) > self::LONGEST_LINE) {
                throw Refused::because("line {$line}", ProblemCode::TooLarge, 'this line is longer than 4 MB.');
            }
            if (trim($text) === '') {
                continue;
            }
            try {
                yield self::row("line {$line}", json_decode($text, true, 64, JSON_THROW_ON_ERROR));
            } catch (\JsonException $fault) {
                yield new Row("line {$line}", [], false, "is not JSON: {$fault->getMessage()}.");
            }
        }
    }

    /** @return list<mixed> */
    private static function list(string $text): array
    {
        if (strlen($text) > self::LONGEST_LIST) {
            throw Refused::because(
                '',
                ProblemCode::TooLarge,
                'the list is longer than 5 MiB. Use JSON Lines instead (.jsonl, one object a line), which has no '
                    .'such limit.',
            );
        }
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw Refused::because('', ProblemCode::NotUtf8, 'the file is not in UTF-8.');
        }
        try {
            $data = json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw Refused::because('', ProblemCode::NotJson, "the file is not JSON: {$fault->getMessage()}.");
        }

        return is_array($data) && array_is_list($data)
            ? $data
            : throw Refused::because('', ProblemCode::NotAList, 'expected a list of objects, or one object a line.');
    }

    private static function row(string $place, mixed $values): Row
    {
        return is_array($values) && ($values === [] || ! array_is_list($values))
            ? new Row($place, $values, false)
            : new Row($place, [], false, 'expected an object, found '.Shape::describe($values).'.');
    }
}
