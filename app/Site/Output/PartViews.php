<?php

declare(strict_types=1);

namespace App\Site\Output;

use Illuminate\Support\Facades\View;
use Wellspring\Core\Card\PartKind;

/** Finds the view of a kind of part: site/parts/KEY if it exists; other parts are plain text. */
final class PartViews
{
    /** @var array<string, string|null> by the kind's key; looked for once */
    private static array $views = [];

    /** @return string|null null of a kind that is plain text */
    public static function of(PartKind $kind): ?string
    {
        $key = $kind->key();
        if (! array_key_exists($key, self::$views)) {
            self::$views[$key] = View::exists("site.parts.{$key}") ? "site.parts.{$key}" : null;
        }

        return self::$views[$key];
    }
}
