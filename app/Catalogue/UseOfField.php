<?php

declare(strict_types=1);

namespace App\Catalogue;

use Wellspring\Core\Content\Reference;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Explains why a change would make a definition invalid: what uses the field, and what to do about it. */
final class UseOfField
{
    /** The verb for each part of a definition that can use a field: an order “orders by” it. */
    private const DOES = [
        'where' => 'keeps records by', 'order' => 'orders by', 'headings' => 'puts records under headings by',
        'offer' => 'lets visitors choose by', 'card' => 'shows', 'source' => 'draws on', 'bands' => 'shows',
    ];

    /**
     * @param  string  $title  of the module or page
     * @param  string  $link  where it can be changed
     * @param  list<Reference>  $references  its current references
     */
    public static function problem(
        string $what,
        string $title,
        string $link,
        Refused $refused,
        array $references,
    ): Problem {
        $first = $refused->problems[0];
        $beside = fn (string $path): string => dirname(strtr($path, '.', '/'));
        $ways = [
            fn (string $path): bool => $path === $first->path,
            fn (string $path): bool => str_starts_with($path, "{$first->path}."),
            fn (string $path): bool => $beside($path) === $beside($first->path),
        ];
        $label = null;
        foreach ($ways as $fits) {
            foreach ($label === null ? $references : [] as $reference) {
                if ($reference->field !== null && $fits($reference->path)) {
                    $label = $reference->field->label;
                    break;
                }
            }
        }
        $root = preg_split('/[.\[]/', $first->path)[0] ?? '';
        $does = self::DOES[$root] ?? 'uses';

        return new Problem('', ProblemCode::InUse, $label === null
            ? "{$what} “{$title}” needs something that would be gone. Change it first."
            : "{$what} “{$title}” {$does} the field {$label}. Remove it there first.", [
                'link' => $link, 'place' => (string) $first,
            ]);
    }
}
