<?php

declare(strict_types=1);

namespace Wellspring\Core\Content;

use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Whitespace;

/**
 * What “empty” means: absent, null, an empty list, only white space, or HTML with no visible text and no media. Zero
 * and “no” are values.
 */
final class Blank
{
    public static function is(mixed $value): bool
    {
        return match (true) {
            $value === null, $value === [] => true,
            is_string($value) => Whitespace::isAll($value),
            default => false,
        };
    }

    public static function isHtml(string $html): bool
    {
        return Html::visibleText($html) === '' && ! Html::hasMedia($html);
    }
}
