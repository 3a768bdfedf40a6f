<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;
use Wellspring\Core\Text\Whitespace;

/** Reads text from a request, whatever its value is. */
final class RequestText
{
    /** @return string plain text of at most so many characters; empty where there is none */
    public static function text(Request $request, string $key, int $most = 200): string
    {
        $given = $request->input($key);

        return is_string($given) ? mb_substr(Whitespace::trim(mb_scrub(str_replace("\0", '', $given))), 0, $most) : '';
    }

    /** @return string what stood in the form that was refused a moment ago; empty where it was no text */
    public static function old(Request $request, string $key): string
    {
        $given = $request->old($key);

        return is_string($given) ? $given : '';
    }
}
