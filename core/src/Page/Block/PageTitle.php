<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Page\Block;

/** The title of the page's record. */
final readonly class PageTitle implements Block
{
    use OfSubject;

    public static function key(): string
    {
        return 'pageTitle';
    }

    public static function label(): string
    {
        return 'The page’s title';
    }

    public function words(): string
    {
        return 'the page’s title';
    }
}
