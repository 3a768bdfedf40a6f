<?php

declare(strict_types=1);

namespace Wellspring\Core\Explain;

use Wellspring\Core\Content\Type;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Refused;

/**
 * Gives a module another source. Rules that do not fit the new records are removed, and so is a card of another kind of
 * record.
 */
final readonly class SourceChange
{
    /** Keys of a definition that fit any source. */
    private const INDEPENDENT = ['format', 'key', 'name', 'page', 'arrange', 'whenNothing', 'look', 'skip', 'atMost'];

    public function __construct(private ModuleReader $reader)
    {
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  array<array-key, mixed>  $source
     * @return array<string, mixed> a whole definition
     *
     * @throws Refused when the source cannot be read
     */
    public function to(array $definition, array $source): array
    {
        $bare = ['source' => $source] + array_intersect_key($definition, array_flip(self::INDEPENDENT));
        $type = $this->reader->salvage($bare)->module->type();
        $card = self::typeBefore($definition, $this->reader) === $type->key
            ? array_intersect_key($definition, ['card' => 0])
            : $this->card($bare, $type);
        $all = $card + ['source' => $source] + $definition;
        try {
            $fitting = self::without($all, $this->reader->salvage($all)->aside);

            return $this->reader->read($fitting)->toArray();
        } catch (Refused) {
            return $this->reader->read($card + $bare)->toArray();
        }
    }

    /**
     * @param  array<array-key, mixed>  $bare
     * @return array{card?: array<string, mixed>} the richest card that the records can fill
     */
    private function card(array $bare, Type $type): array
    {
        $titled = fn (string $field): array => [
            'lines' => [['parts' => [['part' => 'title']]], ['parts' => [['part' => 'field', 'field' => $field]]]],
        ];
        foreach ([StarterCards::of($type), $titled('count')] as $card) {
            if ($this->reader->salvage(['card' => $card] + $bare)->problems === []) {
                return ['card' => $card];
            }
        }

        return [];
    }

    /**
     * @param  array<array-key, mixed>  $definition
     * @param  list<string>  $places  of rules, such as `where.all[1]`
     * @return array<array-key, mixed>
     */
    private static function without(array $definition, array $places): array
    {
        $gone = array_map(
            fn (string $place): array => preg_split('/[.\[\]]+/', self::rule($place), -1, PREG_SPLIT_NO_EMPTY) ?: [],
            $places,
        );

        return self::pruned($definition, $gone);
    }

    /** The whole rule at a place: a group without one of its conditions would mean something else. */
    private static function rule(string $place): string
    {
        return match (true) {
            preg_match('/^where\.all\[\d+\]/', $place, $found) === 1 => $found[0],
            str_starts_with($place, 'where') => 'where',
            default => $place,
        };
    }

    /**
     * @param  array<array-key, mixed>  $data
     * @param  list<list<string>>  $gone  paths to remove
     * @return array<array-key, mixed>
     */
    private static function pruned(array $data, array $gone): array
    {
        $kept = [];
        foreach ($data as $key => $value) {
            $here = array_filter($gone, fn (array $way): bool => ($way[0] ?? '') === (string) $key);
            if (in_array([(string) $key], $here, true)) {
                continue;
            }
            $kept[$key] = is_array($value) && $here !== []
                ? self::pruned($value, array_values(array_map(fn (array $way): array => array_slice($way, 1), $here)))
                : $value;
        }

        return array_is_list($data) ? array_values($kept) : $kept;
    }

    /** @param  array<array-key, mixed>  $definition */
    private static function typeBefore(array $definition, ModuleReader $reader): ?string
    {
        try {
            return $reader->salvage($definition)->module->type()->key;
        } catch (Refused) {
            return null;
        }
    }
}
