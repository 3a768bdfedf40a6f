<?php

declare(strict_types=1);

namespace App\Video;

/** A file of another site could not be read. */
final class FetchFailed extends \RuntimeException
{
}
