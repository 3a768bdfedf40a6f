<?php

declare(strict_types=1);

namespace App\Media;

use App\Database\PostgresArray;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\Context;

/** Which files of the library somebody may see: those that something uses which they may see. */
final readonly class OpenMedia
{
    /** @param  string  $media  name of a row of the library */
    public function isOpen(string $media, Context $context): bool
    {
        return (bool) DB::scalar('select media_is_open(?, ?, ?)', [
            $media,
            PostgresArray::literal($context->viewer->belongsTo()),
            $context->at(),
        ]);
    }
}
