<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Page\Block;

/** The text of the page's record. */
final readonly class PageText implements Block
{
    use OfSubject;

    public static function key(): string
    {
        return 'pageText';
    }

    public static function label(): string
    {
        return 'The page’s text';
    }

    public function words(): string
    {
        return 'the page’s text';
    }
}
