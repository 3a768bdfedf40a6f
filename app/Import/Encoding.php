<?php

declare(strict_types=1);

namespace App\Import;

/** Detects the encoding of a file. */
enum Encoding
{
    case Utf8;
    case Windows1252;

    /** Bytes without a character in Windows-1252. */
    private const UNDEFINED = '/[\x81\x8D\x8F\x90\x9D]/';

    /**
     * Windows-1252 is assumed only if nothing indicates UTF-8: some line is invalid UTF-8, and none contains a valid
     * UTF-8 character beyond ASCII. A file that is partly UTF-8 is broken UTF-8, and its invalid cells are reported one
     * by one.
     *
     * @param  iterable<string>  $lines
     */
    public static function of(iterable $lines): self
    {
        $foreign = false;
        foreach ($lines as $line) {
            if (mb_check_encoding($line, 'ASCII')) {
                continue;
            }
            if (mb_check_encoding($line, 'UTF-8') || preg_match(self::UNDEFINED, $line) === 1) {
                return self::Utf8;
            }
            $foreign = true;
        }

        return $foreign ? self::Windows1252 : self::Utf8;
    }

    public function toUtf8(string $text): string
    {
        return $this === self::Utf8 ? $text : (string) mb_convert_encoding($text, 'UTF-8', 'Windows-1252');
    }
}
