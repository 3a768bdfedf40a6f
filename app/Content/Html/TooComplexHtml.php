<?php

declare(strict_types=1);

namespace App\Content\Html;

/** Markup that would take too long to read. The message tells the person what was expected. */
final class TooComplexHtml extends \DomainException
{
}
