<?php

declare(strict_types=1);

namespace App\Media;

use App\Database\PostgresArray;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Context;

/** The files of the library that a viewer may see: those that something visible uses. */
final readonly class OpenMedia
{
    /** @param  string  $media  name of a row in the media library */
    public function isOpen(string $media, Context $context): bool
    {
        return (bool) DB::scalar('select media_is_open(?, ?, ?)', [
            $media,
            PostgresArray::literal($context->viewer->belongsTo()),
            $context->at(),
        ]);
    }
}
