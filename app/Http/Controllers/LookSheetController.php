<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Look\LookSheets;
use Illuminate\Http\Response;

/** The style sheet of a look. Its address contains a hash of its content, so browsers may cache it forever. */
final class LookSheetController
{
    public function __invoke(string $hash, LookSheets $sheets): Response
    {
        $css = $sheets->find($hash);
        abort_if($css === null, 404);

        return new Response($css, 200, [
            'Content-Type' => 'text/css; charset=utf-8',
            'Cache-Control' => 'public, max-age=31536000, immutable',
        ]);
    }
}
