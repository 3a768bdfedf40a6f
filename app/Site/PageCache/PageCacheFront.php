<?php

declare(strict_types=1);

namespace App\Site\PageCache;

use App\ViewCounts\CountableVisit;

/**
 * Answers requests with kept pages before the framework is loaded. A kept page is the answer as long as the marks of
 * what it was made of are the same, read anew for each request, and its time has not run out. Of requests that come at
 * the same moment for a page that is not kept, one makes it, and the others wait a short while for that one.
 */
final class PageCacheFront
{
    /** Long enough for a page that is made on a busy machine; a worker that waits serves nobody else. */
    private const WAIT_SECONDS = 3.0;

    private const LOOK_AGAIN_MICROSECONDS = 5_000;

    private static ?self $current = null;

    /** Of the lock that this request holds while it makes the page; null where it holds none. */
    private ?int $lockToken = null;

    private function __construct(
        public readonly PageRequest $request,
        public readonly PageMemory $memory,
        private readonly PageDatabase $database,
    ) {
    }

    /** The one that has let this request through to the framework; null where whole pages are not kept for it. */
    public static function current(): ?self
    {
        return self::$current;
    }

    /** @return bool whether it has answered */
    public static function answer(PageCacheSettings $settings): bool
    {
        $request = PageRequest::of($_SERVER, $_GET, $_COOKIE, $settings);
        if ($request === null) {
            return false;
        }
        $front = new self($request, new PageMemory($settings->release), new PageDatabase($settings));
        $entry = $front->fresh() ?? $front->waitForOther();
        if ($entry !== null && $front->send($entry)) {
            $front->countView($entry);

            return true;
        }
        self::$current = $front;

        return false;
    }

    /** @param  bool  $isKept  whether the page that was made is kept for others */
    public function done(bool $isKept): void
    {
        if ($this->lockToken !== null) {
            $this->memory->unlock($this->lockName(), $this->lockToken, $isKept);
            $this->lockToken = null;
        }
    }

    /**
     * The kept page of the request's place with other parameters than the request's; null where none is right.
     *
     * @param  array<string, string>  $parameters
     */
    public function freshOf(array $parameters): ?PageEntry
    {
        $other = $this->request->with($parameters);

        return $this->memory->name($other) === $this->memory->name($this->request)
            ? null
            : $this->right($this->memory->entry($other));
    }

    private function fresh(): ?PageEntry
    {
        return $this->right($this->memory->entry($this->request));
    }

    /** The entry, where it is right now. */
    private function right(?PageEntry $entry): ?PageEntry
    {
        if ($entry === null || ! $entry->isInTime(time())) {
            return null;
        }
        $seen = $this->memory->state($entry);
        $state = $this->database->stateOf($entry, $seen);
        if ($state !== null && $state !== $seen) {
            $this->memory->setState($entry, $state);
        }

        return $state === null ? null : $entry;
    }

    /** @return PageEntry|null null where this request has to make the page */
    private function waitForOther(): ?PageEntry
    {
        $name = $this->lockName();
        $end = microtime(true) + self::WAIT_SECONDS;
        while (($this->lockToken = $this->memory->lock($name)) === null) {
            if (microtime(true) > $end || $this->memory->isNotKept($name)) {
                return null;
            }
            usleep(self::LOOK_AGAIN_MICROSECONDS);
            $entry = $this->fresh();
            if ($entry !== null) {
                return $entry;
            }
        }

        return null;
    }

    private function lockName(): string
    {
        return $this->request->place.'?'.http_build_query($this->request->parameters);
    }

    /** @return bool false where the body has gone from the memory */
    private function send(PageEntry $entry): bool
    {
        $isKnown = $entry->status === 200 && in_array($entry->hash, $this->request->tags, true);
        $body = $isKnown ? '' : $this->memory->body($entry, $this->request->takesGzip);
        if ($body === null) {
            return false;
        }
        http_response_code($isKnown ? 304 : $entry->status);
        foreach ($entry->headers as $line) {
            header($line);
        }
        header('X-Page-Cache: hit');
        if (! $isKnown) {
            if ($this->request->takesGzip) {
                header('Content-Encoding: gzip');
            }
            header('Content-Length: '.strlen($body));
            echo $this->request->isHead ? '' : $body;
        }

        return true;
    }

    private function countView(PageEntry $entry): void
    {
        $text = fn (string $key): string => is_string($_SERVER[$key] ?? null) ? $_SERVER[$key] : '';
        $visit = $entry->item === null ? null : CountableVisit::of(
            $text('REQUEST_METHOD'),
            $this->request->client,
            $text('HTTP_USER_AGENT'),
            $text('HTTP_SEC_PURPOSE').$text('HTTP_PURPOSE'),
        );
        if ($entry->item !== null && $visit !== null) {
            if (function_exists('fastcgi_finish_request')) {
                fastcgi_finish_request();
            }
            $zone = new \DateTimeZone($entry->timeZone);
            $this->database->count($entry->item, $visit, new \DateTimeImmutable('now', $zone));
        }
    }
}
