<?php

declare(strict_types=1);

namespace App\Console;

use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Reads a JSON file for a command; `-` is the standard input. */
final class JsonFile
{
    /** @throws Refused */
    public static function read(string $path): mixed
    {
        $text = $path === '-' ? stream_get_contents(STDIN) : (is_file($path) ? file_get_contents($path) : false);
        if ($text === false) {
            throw Refused::because('', ProblemCode::Unreadable, "“{$path}” cannot be read.");
        }
        try {
            return json_decode($text, true, 64, JSON_THROW_ON_ERROR);
        } catch (\JsonException $fault) {
            throw Refused::because('', ProblemCode::NotJson, "“{$path}” is not JSON: {$fault->getMessage()}.");
        }
    }
}
