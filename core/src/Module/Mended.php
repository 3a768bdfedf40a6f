<?php

declare(strict_types=1);

namespace Wellspring\Core\Module;

use Wellspring\Core\Problem\Problem;
use Wellspring\Core\Problem\Refused;

/**
 * A definition some of whose rules no longer make sense, because a field or a term is gone, with those rules set aside:
 * enough of a module to look at while the manager mends it. Every other rule keeps its place.
 */
final readonly class Mended
{
    /** How often what is left is read anew, at most: every time at least one rule more is set aside. */
    private const ROUNDS = 50;

    /**
     * @param  list<Problem>  $problems  none: nothing was wrong
     * @param  list<string>  $aside  the places of the rules that were set aside: `where.all[1]`, `order[0]`, `card.lines[2].parts[0]`
     */
    private function __construct(public Module $module, public array $problems, public array $aside)
    {
    }

    /**
     * @param  array<array-key, mixed>  $definition
     *
     * @throws Refused when what is wrong is no single rule: its source, its key
     */
    public static function read(array $definition, ModuleReader $reader): self
    {
        $problems = $aside = [];
        for ($round = 0; $round < self::ROUNDS; $round++) {
            try {
                return new self($reader->read($definition), $problems, $aside);
            } catch (Refused $refused) {
                $before = $definition;
                foreach ($refused->problems as $problem) {
                    $place = self::place($problem->path);
                    if ($place === null) {
                        throw $refused;
                    }
                    $definition = self::without($definition, $place);
                    $problems[] = $problem;
                    $aside[] = $place;
                }
                $aside = array_values(array_unique($aside));
                if ($definition === $before) {
                    throw $refused;
                }
            }
        }
        throw new \LogicException('Every round sets a rule aside.');
    }

    /** The rule that a problem's path lies in; null where it lies in none. */
    private static function place(string $path): ?string
    {
        foreach (['/^where(\.(all|any|none)\[\d+\])+/', '/^order\[\d+\]/', '/^card\.lines\[\d+\]\.parts\[\d+\]/', '/^headings/'] as $rule) {
            if (preg_match($rule, $path, $found) === 1) {
                return $found[0];
            }
        }

        return null;
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @return array<array-key, mixed>
     */
    private static function without(array $definition, string $place): array
    {
        if ($place === 'headings') {
            return array_diff_key($definition, ['headings' => 0]);
        }
        $stand = match (true) {
            str_starts_with($place, 'order') => ['by' => 'title'],
            str_starts_with($place, 'card') => ['part' => 'title'],
            default => ['all' => [], 'off' => true],
        };
        preg_match_all('/[a-zA-Z]+|\d+/', $place, $steps);
        $at = &$definition;
        foreach ($steps[0] as $step) {
            if (! is_array($at)) {
                return $definition;
            }
            $at = &$at[ctype_digit($step) ? (int) $step : $step];
        }
        $at = $stand;

        return $definition;
    }
}
