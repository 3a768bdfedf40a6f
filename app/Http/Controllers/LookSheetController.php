<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Look\LookSheets;
use Illuminate\Http\Response;

/** The style sheet of a look. It is known by its content, so whoever has it may keep it for good. */
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
