<?php

declare(strict_types=1);

namespace App\Site\PageCache;

/** A request for a page, as far as it decides which kept page answers. Needs nothing of the framework. */
final readonly class PageRequest
{
    /** Below them no page of the site stands. */
    private const WITHOUT_PAGES = '~^/(manage|account)(/|$)~';

    /**
     * @param  string  $place  scheme, host and path: the only parts of the request besides its parameters that may
     *   change the bytes of a page (KeptPagesTest tries every header)
     * @param  string  $client  address of the client
     * @param  array<string, string>  $parameters  of the address, by name
     * @param  list<string>  $tags  entity tags that the browser has the page under, without what says how it was packed
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
     * @return self|null null where no kept page may answer: for who has a session, and for all that is no plain GET
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
            // A name that is said twice is one parameter here.
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
     * The same place with other parameters.
     *
     * @param  array<string, string>  $parameters
     */
    public function with(array $parameters): self
    {
        return new self($this->place, $this->client, $parameters, $this->tags, $this->isHead, $this->takesGzip);
    }

    /**
     * What the page is kept under: of the parameters only those that it knows, in an order of their own.
     *
     * @param  list<string>  $known  its parameters
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
