<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Marks requests that contain a file, and therefore are sent as multipart/form-data. */
interface TakesFile
{
}
