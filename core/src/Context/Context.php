<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Visibility;
use Wellspring\Core\Text\AnyLanguage;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Time\Iso8601;
use Wellspring\Core\Who\Viewer;

/** The context of a run: the instant, the viewer, the calendar, the page's record and the visitor's choices. */
final readonly class Context
{
    public Choices $choices;

    public function __construct(
        public \DateTimeImmutable $now,
        public Viewer $viewer,
        public Calendar $calendar,
        public PageSubject $page = new PageSubject,
        public Language $language = new AnyLanguage,
        ?Choices $choices = null,
    ) {
        $this->choices = $choices ?? Choices::none();
    }

    /** @return string now, as instants are stored */
    public function at(): string
    {
        return Iso8601::format($this->now);
    }

    public function today(): string
    {
        return $this->calendar->day($this->now);
    }

    public function visibility(): Visibility
    {
        return new Visibility($this->viewer, $this->at());
    }

    /** True if the viewer may see the record now. */
    public function admits(Record $record): bool
    {
        return $this->visibility()->admits($record);
    }

    /** The item that the page is about; null if it is not about an item, or if the viewer may not see the item. */
    public function pageItem(): ?Record
    {
        $item = $this->page->item;

        return $item !== null && $this->admits($item) ? $item->seenThrough($this->visibility()) : null;
    }

    public function with(?PageSubject $page = null, ?Choices $choices = null): self
    {
        return new self(
            $this->now,
            $this->viewer,
            $this->calendar,
            $page ?? $this->page,
            $this->language,
            $choices ?? $this->choices,
        );
    }
}
