<?php

declare(strict_types=1);

namespace Wellspring\Core\Wording;

/** Sentences of Manage with a number, in MessageFormat. Manage is in English. */
final class Message
{
    /**
     * @param  string  $pattern  such as `{n, plural, one {# item has} other {# items have}} no title`
     * @param  array<string, int|float|string>  $values  by name
     */
    public static function of(string $pattern, array $values): string
    {
        $said = \MessageFormatter::formatMessage('en', $pattern, $values);

        return is_string($said)
            ? $said
            : throw new \LogicException("“{$pattern}” is no message: ".intl_get_error_message());
    }
}
