<?php

declare(strict_types=1);

namespace App\Audit;

/**
 * The network of a client's address. A client may use every address of an IPv6 network of 64 bits (RFC 4291, 2.5.1), so
 * such a network counts as one client. This class does not need the framework.
 */
final class ClientNetwork
{
    private const IPV6_BYTES = 8;

    /** @return string an IPv4 address as it is; of an IPv6 address the network, such as `2001:db8:0:1::` */
    public static function of(string $address): string
    {
        $bytes = str_contains($address, ':') ? @inet_pton($address) : false;
        if ($bytes === false || strlen($bytes) !== 16) {
            return $address;
        }
        // An IPv4 address in IPv6 form (RFC 4291, 2.5.5.2).
        if (str_starts_with($bytes, "\0\0\0\0\0\0\0\0\0\0\xFF\xFF")) {
            return (string) inet_ntop(substr($bytes, 12));
        }

        return (string) inet_ntop(str_pad(substr($bytes, 0, self::IPV6_BYTES), 16, "\0"));
    }
}
