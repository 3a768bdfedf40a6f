<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Middleware\IdentifiesViewer;
use App\Listing\ContextFactory;
use App\Listing\Fragment;
use App\Media\StoredFile;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Symfony\Component\Mime\MimeTypes;
use Wellspring\Core\Who\Viewer;

/** The library's files: for visitors those that something uses which they may see, for who works on the site all. */
final readonly class MediaController
{
    public function __construct(private ContextFactory $contexts)
    {
    }

    public function show(Request $request): Response
    {
        $viewer = IdentifiesViewer::viewer($request);
        $file = StoredFile::at($request->getPathInfo());
        $isForEveryone = $file !== null && $this->isOpen($file, Viewer::signedOut());
        $mayEnter = $viewer->isSignedIn === true && $request->user()?->can('enter');
        if ($file === null || ! $isForEveryone && ! $mayEnter && ! $this->isOpen($file, $viewer)) {
            abort(404);
        }

        return new Response('', 200, $file->headers($isForEveryone) + [
            'Content-Type' => MimeTypes::getDefault()->getMimeTypes($file->ending)[0] ?? 'application/octet-stream',
        ]);
    }

    private function isOpen(StoredFile $file, Viewer $viewer): bool
    {
        return (bool) DB::scalar('select media_is_open(?, ?, ?)', [
            $file->media,
            Fragment::arrayLiteral($viewer->belongsTo()),
            $this->contexts->now($viewer)->at(),
        ]);
    }
}
