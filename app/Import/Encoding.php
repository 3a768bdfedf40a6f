<?php

declare(strict_types=1);

namespace App\Import;

/** How the text of a file is encoded, told from its bytes. */
enum Encoding
{
    case Utf8;
    case Windows1252;

    /** Bytes to which Windows-1252 gives no character. */
    private const UNDEFINED = '/[\x81\x8D\x8F\x90\x9D]/';

    /**
     * Windows-1252 only where nothing speaks for UTF-8: some line is not UTF-8, and none holds a character of it
     * beyond ASCII. A file of which a part is UTF-8 is broken UTF-8, and its wrong cells are told one by one.
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
