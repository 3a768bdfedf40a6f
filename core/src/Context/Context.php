<?php

declare(strict_types=1);

namespace Wellspring\Core\Context;

use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Text\AnyLanguage;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Who\Viewer;

/** All that a run takes from outside: when, for whom, by which calendar, on which page, and what the address says. */
final readonly class Context
{
    /** @param  array<string, string>  $address  what stands in the page's address, by name */
    public function __construct(
        public \DateTimeImmutable $now,
        public Viewer $viewer,
        public Calendar $calendar,
        public PageSubject $page = new PageSubject,
        public array $address = [],
        public Language $language = new AnyLanguage,
    ) {
    }

    /** @return string now, as instants are stored */
    public function at(): string
    {
        return Instant::write($this->now);
    }

    public function today(): string
    {
        return $this->calendar->day($this->now);
    }

    /** Whether the viewer may see the record now: published, in its time, and for them. */
    public function admits(Record $record): bool
    {
        $at = $this->at();

        return $record->status === Status::Published
            && $record->publishAt !== null && $record->publishAt <= $at
            && ($record->expireAt === null || $at < $record->expireAt)
            && in_array($record->audience, $this->viewer->audience->sees(), true);
    }

    /** The item that the page is about, as the viewer sees it; null where there is none that they may see. */
    public function pageItem(): ?Record
    {
        $item = $this->page->item;

        return $item !== null && $this->admits($item) ? $item->seenBy($this) : null;
    }

    /** @param  array<string, string>|null  $address */
    public function with(?PageSubject $page = null, ?array $address = null): self
    {
        return new self(
            $this->now,
            $this->viewer,
            $this->calendar,
            $page ?? $this->page,
            $address ?? $this->address,
            $this->language,
        );
    }
}
