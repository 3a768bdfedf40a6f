<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/** The parts of a request that select a cached page. This class does not need the framework. */
final readonly class PageRequest
{
    /** Address prefixes under which there are no pages of the site. */
    private const WITHOUT_PAGES = '~^/(manage|account)(/|$)~';

    /**
     * @param  string  $place  scheme, host and path: besides the parameters, the only parts of the request that may
     *   change a page's bytes (KeptPagesTest tries every header)
     * @param  string  $client  address of the client
     * @param  array<string, string>  $parameters  of the address, by name
     * @param  list<string>  $tags  entity tags that the browser has, without the suffix of the compression
     */
    private function __construct(
        public string $place,
        public string $client,
        public array $parameters,
        public array $tags,
        public bool $isHead,
        public bool $takesGzip,
    ) {
    }

    /**
     * @param  array<mixed>  $server  `$_SERVER`
     * @param  array<mixed>  $query  `$_GET`
     * @param  array<mixed>  $cookies  `$_COOKIE`
     * @return self|null null if no cached page may answer: for people with a session, and for anything but a plain GET
     *   or HEAD of a page
     */
    public static function of(array $server, array $query, array $cookies, PageCacheSettings $settings): ?self
    {
        $text = fn (string $key): string => is_string($server[$key] ?? null) ? $server[$key] : '';
        $path = explode('?', $text('REQUEST_URI'), 2)[0];
        $parameters = array_filter($query, is_string(...));
        $method = $text('REQUEST_METHOD');
        $origin = RequestOrigin::of($server, $settings->trustedProxies);
        if (
            $origin === null
            || ! in_array($method, ['GET', 'HEAD'], true)
            || isset($cookies[$settings->sessionCookie])
            || $text('HTTP_AUTHORIZATION').$text('HTTP_RANGE').$text('HTTP_X_REQUESTED_WITH') !== ''
            || stripos($text('HTTP_ACCEPT'), 'json') !== false
            || count($parameters) !== count($query)
            // A parameter that is given twice counts as one.
            || count($query) !== count(array_filter(explode('&', $text('QUERY_STRING'))))
            || preg_match(self::WITHOUT_PAGES, $path) === 1
        ) {
            return null;
        }

        return new self(
            "{$origin->scheme}://{$origin->host}{$path}",
            $origin->address,
            $parameters,
            self::tagsOf($text('HTTP_IF_NONE_MATCH')),
            $method === 'HEAD',
            preg_match('/\bgzip\b(?!\s*;\s*q=0(\.0*)?\s*(,|$))/i', $text('HTTP_ACCEPT_ENCODING')) === 1,
        );
    }

    /**
     * The same address with other parameters.
     *
     * @param  array<string, string>  $parameters
     */
    public function with(array $parameters): self
    {
        return new self($this->place, $this->client, $parameters, $this->tags, $this->isHead, $this->takesGzip);
    }

    /**
     * The cache key: only parameters that the page reads count, in a fixed order.
     *
     * @param  list<string>  $known  the parameters that the page reads
     */
    public function name(array $known): string
    {
        $kept = array_intersect_key($this->parameters, array_flip($known));
        ksort($kept, SORT_STRING);

        return $this->place.($kept === [] ? '' : '?'.http_build_query($kept));
    }

    /** @return list<string> weak and strong ones alike (RFC 9110, 13.1.2: If-None-Match compares weakly) */
    private static function tagsOf(string $header): array
    {
        preg_match_all('~"([^"]*)"~', $header, $tags);

        return $tags[1];
    }
}
