<?php

declare(strict_types=1);

namespace App\Content\Html;

/** Markup that takes too long to read. The message says what was expected, to the person who sent it. */
final class TooComplexHtml extends \DomainException
{
}
