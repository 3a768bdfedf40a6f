<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\IdentifiesViewer;
use App\Listing\ContextFactory;
use App\Media\OpenMedia;
use App\Media\StoredFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\Mime\MimeTypes;
use Wellspring\Core\Who\Viewer;

/**
 * The files of the library. Visitors get a file if something that they may see uses it; people who work on the site get
 * all.
 */
final readonly class MediaController
{
    public function __construct(private ContextFactory $contexts, private OpenMedia $open)
    {
    }

    public function show(Request $request): Response
    {
        $viewer = IdentifiesViewer::viewer($request);
        $file = StoredFile::at($request->getPathInfo());
        if ($file === null) {
            abort(404);
        }
        $isFor = fn (Viewer $who): bool => $this->open->isOpen($file->media, $this->contexts->now($who));
        $mayEnter = $viewer->isSignedIn === true && $request->user()?->can('enter');
        abort_unless($mayEnter || $isFor($viewer) || $isFor(Viewer::signedOut()), 404);

        return new Response('', 200, $file->headers() + [
            'Content-Type' => MimeTypes::getDefault()->getMimeTypes($file->ending)[0] ?? 'application/octet-stream',
        ]);
    }
}
