<?php

declare(strict_types=1);

namespace App\Site\PageCache;

use App\ViewCounts\CountableVisit;

/**
 * Answers requests with cached pages before the framework is loaded. A cached page is valid while the marks of its
 * dependencies are unchanged, which each request checks, and until its expiry. If several requests need the same
 * missing page, one makes it and the others wait for a short time.
 */
final class PageCacheFront
{
    /** Long enough to make a page on a busy machine. A waiting worker serves no other request. */
    private const WAIT_SECONDS = 3.0;

    private const LOOK_AGAIN_MICROSECONDS = 5_000;

    private static ?self $current = null;

    /** The lock of this request while it makes the page; null if it holds none. */
    private ?int $lockToken = null;

    private function __construct(
        public readonly PageRequest $request,
        public readonly PageMemory $memory,
        private readonly PageDatabase $database,
    ) {
    }

    /** The instance that passed this request to the framework; null if its page is not cached. */
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

    /** @param  bool  $isKept  true if the page was cached for others */
    public function done(bool $isKept): void
    {
        if ($this->lockToken !== null) {
            $this->memory->unlock($this->lockName(), $this->lockToken, $isKept);
            $this->lockToken = null;
        }
    }

    /**
     * The cached page at the same address with other parameters; null if none is valid.
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

    /** The entry if it is valid now. */
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
