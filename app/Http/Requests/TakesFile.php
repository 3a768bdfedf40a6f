<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** Marks requests that carry a file, and so come as a form in parts. */
interface TakesFile
{
}
