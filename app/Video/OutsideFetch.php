<?php

declare(strict_types=1);

namespace App\Video;

use Symfony\Component\HttpFoundation\IpUtils;

/**
 * Reads a small file from another site. It connects only to public addresses, follows no redirect, and has limits of
 * time and size.
 */
class OutsideFetch
{
    /** Public unicast addresses: IPv4 without multicast and reserved ranges, IPv6 global unicast (RFC 4291). */
    private const UNICAST = ['0.0.0.0/1', '128.0.0.0/2', '192.0.0.0/3', '2000::/3'];

    /**
     * IPv6 ranges for protocols (RFC 2928), documentation (RFC 3849, RFC 9637) and tunnels that contain IPv4 addresses
     * (RFC 3056).
     */
    private const SPECIAL = ['2001::/23', '2001:db8::/32', '3fff::/20', '2002::/16'];

    /**
     * @param  int  $most  maximum size in bytes
     *
     * @throws FetchFailed
     */
    public function get(string $url, int $most): string
    {
        $parts = parse_url($url);
        $host = (string) ($parts['host'] ?? '');
        if (($parts['scheme'] ?? '') !== $this->scheme() || $host === '' || isset($parts['user'])) {
            throw new FetchFailed("{$url} is no address that may be fetched.");
        }
        $port = $parts['port'] ?? ($this->scheme() === 'https' ? 443 : 80);
        $body = '';
        $curl = curl_init($url);
        curl_setopt_array($curl, [
            CURLOPT_PROTOCOLS => $this->scheme() === 'https' ? CURLPROTO_HTTPS : CURLPROTO_HTTP,
            CURLOPT_FOLLOWLOCATION => false,
            // Connects to the address that was checked, even if the name resolves differently a moment later.
            CURLOPT_RESOLVE => ["{$host}:{$port}:".implode(',', $this->publicAddresses($host))],
            CURLOPT_PROXY => '',
            CURLOPT_CONNECTTIMEOUT => $this->seconds(),
            CURLOPT_TIMEOUT => $this->seconds(),
            CURLOPT_USERAGENT => 'Wellspring',
            CURLOPT_WRITEFUNCTION => function (\CurlHandle $curl, string $bytes) use (&$body, $most): int {
                $body .= $bytes;

                return strlen($body) > $most ? 0 : strlen($bytes);
            },
        ]);
        $isRead = curl_exec($curl) !== false;
        $status = (int) curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
        $why = curl_error($curl);
        curl_close($curl);
        if (! $isRead || $status !== 200) {
            throw new FetchFailed("{$host} did not answer: ".($why === '' ? "status {$status}" : $why).'.');
        }

        return $body;
    }

    /**
     * @return non-empty-list<string>
     *
     * @throws FetchFailed where one of them is not public
     */
    private function publicAddresses(string $host): array
    {
        $literal = trim($host, '[]');
        $addresses = filter_var($literal, FILTER_VALIDATE_IP) !== false ? [$literal] : [
            ...gethostbynamel($host) ?: [],
            ...array_column(@dns_get_record($host, DNS_AAAA) ?: [], 'ipv6'),
        ];
        if ($addresses === []) {
            throw new FetchFailed("{$host} has no address.");
        }
        foreach ($addresses as $address) {
            if (! $this->isPublic($address)) {
                throw new FetchFailed("{$host} is not a public address.");
            }
        }

        return $addresses;
    }

    /** True for an address of the public internet. An IPv6 address that represents an IPv4 address is not. */
    public static function isGlobal(string $address): bool
    {
        return filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_GLOBAL_RANGE) !== false
            && IpUtils::checkIp($address, self::UNICAST)
            && ! IpUtils::checkIp($address, self::SPECIAL);
    }

    /** Maximum total time of an answer in seconds. */
    protected function seconds(): int
    {
        return 6;
    }

    protected function isPublic(string $address): bool
    {
        return self::isGlobal($address);
    }

    protected function scheme(): string
    {
        return 'https';
    }
}
