<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Audience;
use Wellspring\Core\Who\Viewer;

/** Makes the contexts that modules run in, by the site's clock and language. */
final readonly class ContextFactory
{
    public function __construct(private Calendar $calendar, private Language $language)
    {
    }

    public function now(Audience $audience = Audience::SignedOut): Context
    {
        return $this->at(now()->toDateTimeImmutable(), new Viewer($audience));
    }

    /** @param  array<string, string>  $address */
    public function at(\DateTimeImmutable $now, Viewer $viewer, PageSubject $page = new PageSubject, array $address = []): Context
    {
        return new Context($now, $viewer, $this->calendar, $page, $address, $this->language);
    }
}
