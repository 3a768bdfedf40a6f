<?php

declare(strict_types=1);

namespace Wellspring\Core\Page\Block;

use Wellspring\Core\Page\Block;

/** The picture of what the page is about. */
final readonly class PagePicture implements Block
{
    use OfSubject;

    public static function key(): string
    {
        return 'pagePicture';
    }

    public function words(): string
    {
        return 'the page’s picture';
    }
}
