<?php

declare(strict_types=1);

namespace App\ViewCounts;

use App\Audit\ClientNetwork;

/** Decides whether a request is a person who views a page. This class does not need the framework. */
final readonly class CountableVisit
{
    /** Names of programs that fetch pages without a reader. Common practice, no source. */
    private const PROGRAMS = '/bot\b|bot[\/;_ -]|crawl|spider|slurp|preview|fetch|scan|monitor|check|archiv'
        .'|curl|wget|python|java\/|ruby|perl|php|go-http|httpclient|headless|lighthouse|feed|rss|validator/i';

    /** @param  string  $visitor  a hash of the client's network, because browsers may send any name */
    private function __construct(public string $visitor)
    {
    }

    /**
     * @param  string  $method  of HTTP
     * @param  string  $agent  the User-Agent header
     * @param  string  $purpose  the header Sec-Purpose or Purpose; empty if missing
     * @return self|null null of a program, and of a page that is fetched before anybody asks for it
     */
    public static function of(string $method, string $ip, string $agent, string $purpose): ?self
    {
        return $method !== 'GET'
            || $agent === ''
            || preg_match(self::PROGRAMS, $agent) === 1
            || str_contains($purpose, 'prefetch')
            ? null
            : new self(hash('sha256', ClientNetwork::of($ip)));
    }
}
