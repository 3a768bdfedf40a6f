<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Database\PostgresArray;
use App\Freshness\ContentMarks;
use App\Freshness\Dependencies;
use App\Site\PageCache\PageCacheFront;
use App\Site\PageCache\PageEntry;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Http\Response as HttpResponse;
use Symfony\Component\HttpFoundation\Response;
use Wellspring\Core\Context\SiteSettings;

/**
 * Caches answers of the public site to requests without a session, if the answer states its dependencies. This
 * middleware is the outermost one, so cached answers are complete.
 */
final readonly class KeepsPages
{
    private const DEPENDENCIES = 'made of';

    private const KNOWN = 'known parameters';

    private const CANONICAL = 'canonical parameters';

    private const ONE_OF_MANY = 'one of many';

    private const KEPT = 'kept';

    private const NOT_FOUND_SECONDS = 10;

    public function __construct(private ContentMarks $marks)
    {
    }

    /**
     * Attaches the dependencies to an answer, so that it can be cached.
     *
     * @param  list<string>  $known  the parameters that it reads
     * @param  array<string, string>  $canonical  the parameters that the answer is the one of
     * @param  bool  $isOneOfMany  whether there is no end of others like it
     */
    public static function madeOf(
        Request $request,
        Dependencies $dependencies,
        array $known = [],
        array $canonical = [],
        bool $isOneOfMany = false,
    ): void {
        $request->attributes->set(self::DEPENDENCIES, $dependencies);
        $request->attributes->set(self::KNOWN, $known);
        $request->attributes->set(self::CANONICAL, $canonical);
        $request->attributes->set(self::ONE_OF_MANY, $isOneOfMany);
    }

    /**
     * The cached answer of the canonical address that means the same as this one. Null if no answer is cached, or if
     * this address is the canonical one.
     *
     * @param  array<string, string>  $canonical  the parameters of that address
     */
    public static function keptOf(Request $request, array $canonical): ?HttpResponse
    {
        $front = PageCacheFront::current();
        $entry = $front?->freshOf($canonical);
        $body = $front === null || $entry === null ? null : $front->memory->body($entry, packed: false);
        if ($entry === null || $body === null) {
            return null;
        }
        $response = new HttpResponse($body, $entry->status);
        foreach ($entry->headers as $line) {
            [$name, $value] = explode(': ', $line, 2) + [1 => ''];
            $response->headers->set($name, $value);
        }
        $request->attributes->set(self::KEPT, true);
        $request->attributes->set('item', $entry->item);

        return $response;
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $front = PageCacheFront::current();
        $isHead = $request->isMethod('HEAD');
        $isKept = false;
        try {
            // The answer to HEAD has the length and the entity tag of the whole page.
            $request->setMethod($isHead ? 'GET' : $request->getMethod());
            $response = $next($request);
            $request->setMethod($isHead ? 'HEAD' : $request->getMethod());
            $dependencies = $this->describe($request, $response);
            if ($front !== null && $dependencies !== null) {
                $isKept = $this->keep($front, $dependencies, $request, $response);
            }
        } finally {
            $front?->done($isKept);
        }
        $response->headers->set('X-Page-Cache', match (true) {
            $front === null => 'off',
            $request->attributes->has(self::KEPT) => 'hit',
            default => 'miss',
        });
        if ($response->getStatusCode() === 200) {
            $response->isNotModified($request);
        }
        if ($isHead) {
            $response->headers->set('Content-Length', (string) strlen((string) $response->getContent()));
            $response->setContent(null);
        }

        return $response;
    }

    /** @return Dependencies|null null where nobody but the browser that asked may keep the answer */
    private function describe(Request $request, Response $response): ?Dependencies
    {
        $dependencies = $request->attributes->get(self::DEPENDENCIES);
        if (
            ! $dependencies instanceof Dependencies
            || ! in_array($response->getStatusCode(), [200, 404], true)
            || $request->cookies->has(config()->string('session.cookie'))
            || $response->headers->getCookies() !== []
        ) {
            return null;
        }
        $response->setEtag(hash('xxh128', (string) $response->getContent()), weak: true);
        $response->setVary('Cookie, Accept-Encoding');
        // Browsers and proxies that cache the answer must revalidate it each time.
        $response->headers->set('Cache-Control', 'no-cache, public');
        // HTTP Cache Groups (RFC 9875; the number is from memory): they tell an outer cache what to evict.
        $response->headers->set('Cache-Groups', implode(', ', array_map(
            fn (string $key): string => "\"{$key}\"",
            $dependencies->keys(),
        )));

        return $dependencies;
    }

    /** @return bool whether it is kept */
    private function keep(
        PageCacheFront $front,
        Dependencies $dependencies,
        Request $request,
        Response $response,
    ): bool {
        $now = now()->getTimestamp();
        $until = $dependencies->until();
        if ($response->getStatusCode() === 404) {
            $until = min($until ?? PHP_INT_MAX, $now + self::NOT_FOUND_SECONDS);
        }
        $mark = $dependencies->snapshot === null || $until !== null && $until <= $now
            ? null
            : $this->marks->since($dependencies->snapshot, $dependencies->keys());
        if ($mark === null) {
            return false;
        }
        /** @var list<string> $known */
        $known = $request->attributes->get(self::KNOWN);
        /** @var array<string, string> $canonical */
        $canonical = $request->attributes->get(self::CANONICAL);
        $item = $request->attributes->get('item');
        $body = (string) $response->getContent();

        return $front->memory->keep($front->request, $canonical, new PageEntry(
            $response->getStatusCode(),
            $this->lines($response),
            hash('xxh128', $body),
            PostgresArray::literal($dependencies->keys()),
            $mark,
            $now,
            $until,
            $known,
            is_int($item) ? $item : null,
            app(SiteSettings::class)->timeZone,
        ), $body, $request->attributes->get(self::ONE_OF_MANY) === true);
    }

    /** @return list<string> one for each name: PHP's header() replaces a line of the same name */
    private function lines(Response $response): array
    {
        $lines = [];
        foreach ($response->headers->allPreserveCaseWithoutCookies() as $name => $values) {
            if ($name !== 'Date') {
                $lines[] = "{$name}: ".implode(', ', $values);
            }
        }

        return $lines;
    }
}
