<?php

declare(strict_types=1);

namespace App\Export;

use App\Content\Records;
use App\Import\Csv;
use App\Models\Item;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;

/** Gives items out as import takes them: exported and imported again, nothing changes. */
final readonly class ItemExport
{
    private const CHUNK = 500;

    /**
     * @param  'csv'|'json'|'jsonl'  $format
     * @return \Generator<int, string> the file, piece by piece
     */
    public function write(Type $type, string $format): \Generator
    {
        $columns = (new ItemReader($type))->columns();
        yield match ($format) {
            'csv' => Csv::row($columns),
            'json' => '[',
            'jsonl' => '',
        };
        $first = true;
        foreach (Item::query()->with('terms')->where('type_key', $type->key)->lazyById(self::CHUNK) as $item) {
            $values = Records::values($item, $type);
            if ($format === 'csv') {
                yield Csv::row(array_map(fn (string $column): string => $this->cell($values[$column] ?? null, $type->field($column)), $columns));
            } else {
                $ordered = array_filter(array_replace(array_fill_keys($columns, null), $values), fn (mixed $value): bool => $value !== null);
                yield ($format === 'json' ? ($first ? "\n" : ",\n") : '').json_encode((object) $ordered, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES).($format === 'jsonl' ? "\n" : '');
            }
            $first = false;
        }
        yield $format === 'json' ? ($first ? "]\n" : "\n]\n") : '';
    }

    private function cell(mixed $value, ?Field $field): string
    {
        return match (true) {
            $value === null => '',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(' | ', array_map(
                fn (mixed $one): string => $field?->family() === Family::Terms ? $this->path($field, is_string($one) ? $one : '') : (is_string($one) ? $one : ''),
                $value,
            )),
            is_string($value) => $value,
            default => json_encode($value, JSON_THROW_ON_ERROR),
        };
    }

    /** The term's path of names; its slug where the names would lead elsewhere or hold the signs that part them. */
    private function path(Field $field, string $slug): string
    {
        $terms = $field->taxonomy->terms ?? throw new \LogicException('A field of terms has a taxonomy.');
        $names = [];
        for ($term = $terms->find($slug); $term !== null; $term = $term->parent === null ? null : $terms->find($term->parent)) {
            array_unshift($names, $term->name);
        }
        $plain = preg_match('/[|>]|^\s|\s$/', implode('', $names)) !== 1;

        return $plain && $names !== [] && $terms->byPath($names)?->slug === $slug ? implode(' > ', $names) : $slug;
    }
}
