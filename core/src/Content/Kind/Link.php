<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Kind;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kind;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Text\Whitespace;

/**
 * An address for a link: on the web, on this site (`/shop`), for mail (`mailto:`) or for calls (`tel:`). RFC 3986.
 */
final class Link implements Kind
{
    use NoLimits;
    use SingleText;

    public function key(): string
    {
        return 'link';
    }

    public function family(): Family
    {
        return Family::Text;
    }

    public function words(): string
    {
        return 'Link';
    }

    public function limits(): array
    {
        return [Limit::Default];
    }

    public function read(mixed $value, Field $field): ?string
    {
        return $value === null || $value === '' ? null : self::address($value);
    }

    /** @throws WrongValue */
    public static function address(mixed $value): string
    {
        $text = is_string($value) ? Whitespace::trim($value) : '';
        $clean = $text !== ''
            && strlen($text) <= 2000
            && mb_check_encoding($text, 'UTF-8')
            && preg_match('/[\x00-\x20\x7F"<>\\\\^`{|}]/', $text) !== 1;
        $fits = match (true) {
            ! $clean => false,
            preg_match('~^https?://~i', $text) === 1 => is_string(parse_url($text, PHP_URL_HOST)),
            preg_match('~^(/(?!/)|#)~', $text) === 1 => true,
            default => preg_match('~^(mailto:[^@\s]+@[^@\s]+|tel:\+?[0-9().-]+)$~i', $text) === 1,
        };

        return $fits
            ? $text
            : throw WrongValue::expected('an address that begins with https://, http://, / , mailto: or tel:', $value);
    }

    public function schema(Field $field): array
    {
        return ['type' => 'string', 'format' => 'iri-reference'];
    }
}
