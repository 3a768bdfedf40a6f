<?php

declare(strict_types=1);

namespace App\Site\PageCache;

use Symfony\Component\HttpFoundation\IpUtils;

/**
 * The scheme and host of a request, and the address of its client. Proxy headers count only if the request comes from a
 * trusted proxy. This class does not need the framework, and gives the same answers as its Request.
 */
final readonly class RequestOrigin
{
    /**
     * @param  'http'|'https'  $scheme
     * @param  string  $host  in lower case, without a port
     * @param  string  $address  of the client
     */
    private function __construct(public string $scheme, public string $host, public string $address)
    {
    }

    /**
     * @param  array<mixed>  $server  `$_SERVER`
     * @param  list<string>  $proxies  addresses or networks of the trusted proxies
     * @return self|null null if the host is not a valid name
     */
    public static function of(array $server, array $proxies): ?self
    {
        $text = fn (string $key): string => is_string($server[$key] ?? null) ? $server[$key] : '';
        $peer = $text('REMOTE_ADDR');
        $isTrusted = $proxies !== [] && IpUtils::checkIp($peer, $proxies);
        $first = fn (string $key): ?string => $isTrusted && isset($server[$key])
            ? trim(explode(',', $text($key), 2)[0])
            : null;
        $scheme = $first('HTTP_X_FORWARDED_PROTO');
        $isSecure = $scheme === null
            ? ! in_array(strtolower($text('HTTPS')), ['', 'off'], true)
            : in_array(strtolower($scheme), ['https', 'on', 'ssl', '1'], true);
        $host = $first('HTTP_X_FORWARDED_HOST') ?? trim($text('HTTP_HOST'));
        $host = strtolower((string) preg_replace('/:\d+$/D', '', $host));
        if (preg_match('/^([a-z0-9._-]+|\[[0-9a-f:.]+\])$/D', $host) !== 1) {
            return null;
        }

        return new self(
            $isSecure ? 'https' : 'http',
            $host,
            $isTrusted ? self::client($text('HTTP_X_FORWARDED_FOR'), $peer, $proxies) : $peer,
        );
    }

    /**
     * The last address of the chain that is not a trusted proxy. Each proxy appends the address of its client;
     * everything before that address may be forged.
     *
     * @param  string  $forwardedFor  the header X-Forwarded-For
     * @param  list<string>  $proxies
     */
    private static function client(string $forwardedFor, string $peer, array $proxies): string
    {
        $chain = [];
        foreach (explode(',', $forwardedFor) as $address) {
            // A proxy may append the client's port.
            $address = preg_replace('/^\[(.*)\](:\d+)?$|^([0-9.]+):\d+$/D', '$1$3', trim($address));
            if (filter_var($address, FILTER_VALIDATE_IP) !== false) {
                $chain[] = (string) $address;
            }
        }
        foreach (array_reverse($chain) as $address) {
            if (! IpUtils::checkIp($address, $proxies)) {
                return $address;
            }
        }

        return $chain[0] ?? $peer;
    }
}
