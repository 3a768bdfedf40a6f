<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Problem\Refused;

/** Reads a table of comma-separated values with a header row (RFC 4180), a row at a time. */
final class Csv
{
    /**
     * @return \Generator<int, list<string>> cells by the number of the line on which the row begins; the header first
     *
     * @throws Refused when a quote is never closed
     */
    public static function rows(string $path): \Generator
    {
        $file = is_file($path) ? fopen($path, 'rb') : false;
        if ($file === false) {
            throw Refused::because('', 'unreadable', "“{$path}” cannot be read.");
        }
        try {
            $line = 0;
            while (($row = fgets($file)) !== false) {
                $begins = ++$line;
                if ($begins === 1 && str_starts_with($row, "\xEF\xBB\xBF")) {
                    $row = substr($row, 3);
                }
                while (substr_count($row, '"') % 2 === 1) {
                    $more = fgets($file);
                    if ($more === false) {
                        throw Refused::because("line {$begins}", 'openQuote', 'a quote is opened in this row and never closed.');
                    }
                    $row .= $more;
                    $line++;
                }
                $row = preg_replace('/\r?\n$/D', '', $row) ?? $row;
                if ($row !== '') {
                    yield $begins => array_map(strval(...), str_getcsv($row, ',', '"', ''));
                }
            }
        } finally {
            fclose($file);
        }
    }
}
