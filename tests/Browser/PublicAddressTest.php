<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Support\SecondServer;
use Tests\Support\TlsProxy;

/** The site behind a proxy that speaks TLS: APP_URL alone says the public address, and everything names it. */
final class PublicAddressTest extends TestCase
{
    public function test_behind_tls_every_address_of_the_site_is_the_public_one(): void
    {
        $server = new SecondServer('https://garden.example', keepsPages: true, trustedProxies: '127.0.0.1');
        $site = new TlsProxy('garden.example', $server->url);
        $read = '';
        foreach (['/', '/shop', '/journal'] as $path) {
            $answer = $site->get($path);
            $this->assertSame(200, $answer['status'], $path);
            $this->assertSame(
                ['https://garden.example'.$path],
                $this->found('~<link rel="canonical" href="([^"]+)"~', $answer['body']),
            );
            $read .= $answer['body'];
        }
        $robots = $site->get('/robots.txt')['body'];
        $this->assertStringContainsString('Sitemap: https://garden.example/sitemap.xml', $robots);
        $index = $site->get('/sitemap.xml')['body'];
        $parts = $this->found('~<loc>https://garden\.example(/sitemap/[^<]+)</loc>~', $index);
        $this->assertNotSame([], $parts);
        foreach ($parts as $part) {
            $body = $site->get($part)['body'];
            $this->assertNotSame([], $this->found('~<loc>(https://garden\.example/[^<]*)</loc>~', $body), $part);
            $read .= $body;
        }
        // Where it leads on stays on the same scheme and host, and a session's cookie is for TLS alone.
        $moved = $site->get('/shop/');
        $this->assertSame(301, $moved['status']);
        $to = $moved['headers']['location'][0] ?? '';
        $this->assertTrue($to === '/shop' || $to === 'https://garden.example/shop', $to);
        $signIn = $site->get('/account/sign-in');
        $this->assertSame(200, $signIn['status']);
        foreach ($signIn['headers']['set-cookie'] ?? self::fail('Signing in needs a session.') as $cookie) {
            $this->assertStringContainsString('; secure', strtolower($cookie));
        }
        $this->assertArrayHasKey('strict-transport-security', $signIn['headers']);
        $read .= $robots.$index.$signIn['body'].$to;
        $this->assertStringNotContainsString('http://127.0.0.1', $read);
        $this->assertStringNotContainsString('http://garden.example', $read);
    }

    /** @return list<string> */
    private function found(string $pattern, string $text): array
    {
        preg_match_all($pattern, $text, $found);

        return $found[1];
    }
}
