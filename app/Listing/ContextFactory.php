<?php

declare(strict_types=1);

namespace App\Listing;

use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Viewer;

/** Makes the contexts of runs from the site's clock and language. */
final readonly class ContextFactory
{
    public function __construct(private Calendar $calendar, private Language $language)
    {
    }

    public function now(?Viewer $viewer = null): Context
    {
        return $this->at(now()->toDateTimeImmutable(), $viewer ?? Viewer::signedOut());
    }

    public function at(
        \DateTimeImmutable $now,
        Viewer $viewer,
        PageSubject $page = new PageSubject,
        ?Choices $choices = null,
    ): Context {
        return new Context($now, $viewer, $this->calendar, $page, $this->language, $choices);
    }
}
