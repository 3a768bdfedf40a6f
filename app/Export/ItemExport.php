<?php

declare(strict_types=1);

namespace App\Export;

use App\Catalogue\Records;
use App\Import\Csv;
use App\Models\Item;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;

/** Exports items in the form of the import: an export that is imported again changes nothing. */
final readonly class ItemExport
{
    private const CHUNK = 500;

    /**
     * @param  'csv'|'json'|'jsonl'  $format
     * @param  bool  $plain  true if CSV cells stay unchanged, also those that a spreadsheet would treat as formulas
     * @param  (\Closure(int): void)|null  $progress  receives the number of written items
     * @return \Generator<int, string> the file, piece by piece
     */
    public function write(Type $type, string $format, bool $plain = false, ?\Closure $progress = null): \Generator
    {
        $reader = new ItemReader($type);
        $columns = $reader->columns();
        $defaults = $type->defaults();
        yield match ($format) {
            'csv' => Csv::row($columns),
            'json' => '[',
            'jsonl' => '',
        };
        $done = 0;
        foreach (Item::query()->with(Item::whole())->where('type_key', $type->key)->lazyById(self::CHUNK) as $item) {
            $values = Records::values($item, $type);
            if ($format === 'csv') {
                $cells = array_map(
                    fn (string $column): string => self::cell($reader, $column, $values[$column] ?? null),
                    $columns,
                );
                yield Csv::row($plain ? $cells : array_map(Csv::marked(...), $cells));
            } else {
                $ordered = array_filter(
                    array_replace(array_fill_keys($columns, null), $values),
                    fn (mixed $value, string $column): bool => $value !== null || isset($defaults[$column]),
                    ARRAY_FILTER_USE_BOTH,
                );
                yield ($format === 'json' ? ($done === 0 ? "\n" : ",\n") : '').json_encode(
                    (object) $ordered,
                    JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
                ).($format === 'jsonl' ? "\n" : '');
            }
            $done++;
            $progress === null || $progress($done);
        }
        yield $format === 'json' ? ($done === 0 ? "]\n" : "\n]\n") : '';
    }

    private static function cell(ItemReader $reader, string $column, mixed $value): string
    {
        $field = $reader->field($column);

        return $value === null || $field === null ? '' : $field->kind->writeCell($value, $field);
    }
}
