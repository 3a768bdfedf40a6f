<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Reads a table with a header row (RFC 4180), row by row. The separator (comma, semicolon or tab) and the encoding
 * (UTF-8 with or without a byte order mark, or Windows-1252) are detected.
 */
final class Csv
{
    private const MARK = "\xEF\xBB\xBF";

    /** Maximum size of a row in bytes. A larger one has a quote that is never closed. */
    private const LONGEST_ROW = 4_000_000;

    private const MOST_CELLS = 2_000;

    /**
     * @return \Generator<int, list<string>> cells by the number of the line on which the row begins; the header first
     *
     * @throws Refused when the file cannot be read or a quote is never closed
     */
    public static function rows(string $path): \Generator
    {
        $encoding = Encoding::of(self::lines($path));
        $separator = null;
        $begins = $bytes = 0;
        $isOpen = false;
        // Lines are joined once and quotes are counted once per line; otherwise the time would grow with the square of
        // the row's length.
        $lines = [];
        foreach (self::lines($path) as $line => $text) {
            $begins = $lines === [] ? $line : $begins;
            $lines[] = $text = $encoding->toUtf8($text);
            $bytes += strlen($text);
            $isOpen = $isOpen !== (substr_count($text, '"') % 2 === 1);
            if ($bytes > self::LONGEST_ROW) {
                throw Refused::because(
                    "line {$begins}",
                    ProblemCode::TooLarge,
                    'this row is longer than 4 MB. Perhaps a quote is opened in it and never closed.',
                );
            }
            if ($isOpen) {
                continue;
            }
            $row = implode('', $lines);
            $lines = [];
            $bytes = 0;
            $row = preg_replace('/\r?\n$/D', '', $row) ?? $row;
            if ($row !== '') {
                $separator ??= self::separator($row);
                if (substr_count(self::bare($row), $separator) >= self::MOST_CELLS) {
                    throw Refused::because(
                        "line {$begins}",
                        ProblemCode::TooMany,
                        'expected at most '.number_format(self::MOST_CELLS).' columns.',
                    );
                }
                yield $begins => array_map(strval(...), str_getcsv($row, $separator, '"', ''));
            }
        }
        if ($isOpen) {
            throw Refused::because(
                "line {$begins}",
                ProblemCode::OpenQuote,
                'a quote is opened in this row and never closed.',
            );
        }
    }

    /**
     * A row in RFC 4180 form with its line end.
     *
     * @param  list<string>  $cells
     */
    public static function row(array $cells): string
    {
        return implode(',', array_map(
            fn (string $cell): string => preg_match('/[",\r\n]/', $cell) === 1
                ? '"'.str_replace('"', '""', $cell).'"'
                : $cell,
            $cells,
        ))."\r\n";
    }

    /**
     * A cell that a spreadsheet treats as text: cells that a spreadsheet would treat as formulas get an apostrophe
     * before them, which unmarked() removes. Plain numbers stay unchanged.
     */
    public static function marked(string $cell): string
    {
        return preg_match("/^'*[=+\\-@\t\r]/", $cell) === 1
            && preg_match('/^[+-]?(\d+(\.\d*)?|\.\d+)([eE][+-]?\d+)?$/D', $cell) !== 1
            ? "'{$cell}"
            : $cell;
    }

    public static function unmarked(string $cell): string
    {
        return preg_match("/^'+[=+\\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
    }

    /** The most frequent separator of the header, outside of quotes. */
    private static function separator(string $header): string
    {
        $bare = self::bare($header);
        $best = ',';
        foreach ([';', "\t"] as $other) {
            $best = substr_count($bare, $other) > substr_count($bare, $best) ? $other : $best;
        }

        return $best;
    }

    /** The row without quoted parts. */
    private static function bare(string $row): string
    {
        return str_contains($row, '"') ? preg_replace('/"[^"]*"/', '', $row) ?? $row : $row;
    }

    /** @return \Generator<int, string> by number, each with its end */
    private static function lines(string $path): \Generator
    {
        $file = is_file($path) ? fopen($path, 'rb') : false;
        if ($file === false) {
            throw Refused::because('', ProblemCode::Unreadable, "“{$path}” cannot be read.");
        }
        try {
            for ($line = 1; ($text = fgets($file)) !== false; $line++) {
                yield $line => $line === 1 && str_starts_with($text, self::MARK) ? substr($text, 3) : $text;
            }
        } finally {
            fclose($file);
        }
    }
}
