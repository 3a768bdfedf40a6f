<?php

declare(strict_types=1);

namespace App\Catalogue;

use Wellspring\Core\Content\Reference;
use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Says in words why a definition could no longer be read: what uses which field, and what to do about it. */
final class UseOfField
{
    /** What a definition does with a field, by where it names it. */
    private const DOES = [
        'where' => 'keeps records by', 'order' => 'orders by', 'headings' => 'puts records under headings by',
        'offer' => 'lets visitors choose by', 'card' => 'shows', 'source' => 'draws on', 'bands' => 'shows',
    ];

    /**
     * @param  string  $title  of the module or page
     * @param  string  $link  where it is changed
     * @param  list<Reference>  $references  what it names now
     */
    public static function problem(string $what, string $title, string $link, Refused $refused, array $references): Problem
    {
        $first = $refused->problems[0];
        $label = null;
        foreach ($references as $reference) {
            $isThere = $reference->path === $first->path || str_starts_with($reference->path, "{$first->path}.")
                || dirname(strtr($reference->path, '.', '/')) === dirname(strtr($first->path, '.', '/'));
            if ($reference->field !== null && $isThere) {
                $label = $reference->field->label;
                break;
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
