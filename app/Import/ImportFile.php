<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Text\Whitespace;

/** Properties of a file before its import. */
final class ImportFile
{
    private const LOOKED_AT = 200;

    /**
     * @return list<string> the names of its columns: the header row, or the keys of the first objects
     *
     * @throws Refused
     */
    public static function headings(string $path): array
    {
        if (preg_match('/\.(json|jsonl|ndjson)$/Di', $path) !== 1) {
            foreach (Csv::rows($path) as $cells) {
                return array_map(fn (string $cell): string => Whitespace::trim(mb_scrub($cell)), $cells);
            }
            throw Refused::because(
                'line 1',
                ProblemCode::NoHeader,
                'the file is empty; expected a header row with the names of the columns.',
            );
        }
        $keys = [];
        $read = 0;
        foreach (JsonRows::of($path) as $row) {
            $keys += $row->values;
            if (++$read === self::LOOKED_AT) {
                break;
            }
        }

        return array_map(strval(...), array_keys($keys));
    }

    /** @return array<string, string> the first value of each column, for a person to tell them by */
    public static function samples(string $path): array
    {
        $samples = [];
        $header = null;
        $read = 0;
        foreach (preg_match(
            '/\.(json|jsonl|ndjson)$/Di',
            $path,
        ) === 1 ? JsonRows::of($path) : Csv::rows($path) as $row) {
            $cells = $row instanceof Row
                ? $row->values
                : (
                    $header === null
                        ? []
                        : array_combine($header, array_pad(array_slice($row, 0, count($header)), count($header), ''))
                );
            if (! $row instanceof Row) {
                $header ??= array_map(fn (string $cell): string => Whitespace::trim(mb_scrub($cell)), $row);
            }
            foreach ($cells as $heading => $value) {
                $text = is_string($value) ? $value : (string) json_encode($value);
                if (trim($text) !== '' && $text !== 'null') {
                    $samples[(string) $heading] ??= mb_strimwidth(mb_scrub($text), 0, 60, '…');
                }
            }
            if (++$read === self::LOOKED_AT) {
                break;
            }
        }

        return $samples;
    }
}
