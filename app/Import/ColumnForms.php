<?php

declare(strict_types=1);

namespace App\Import;

use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Spreadsheet\ColumnForm;
use Wellspring\Core\Content\Spreadsheet\Spreadsheet;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\SiteSettings;

/** Finds the form of each column of a table. */
final readonly class ColumnForms
{
    public function __construct(private SiteSettings $site)
    {
    }

    /**
     * @param  array<string, string>  $chosen  forms that a person has chosen, by column
     * @param  int|null  $most  maximum number of rows to read; null: all
     * @return array<string, ColumnForm> by column; of files that are no tables, none
     */
    public function of(ImportRows $rows, Type $type, array $chosen, ?int $most = null): array
    {
        $reader = new ItemReader($type);
        $fields = [];
        foreach ($reader->columns() as $column) {
            $field = $reader->field($column);
            if ($field !== null) {
                $fields[$column] = $field;
            }
        }
        $sheet = new Spreadsheet($fields, $this->site->locale, new \DateTimeZone($this->site->timeZone));
        $seen = 0;
        foreach ($rows->each() as $row) {
            if (! $row->cells || $seen++ === $most) {
                break;
            }
            $sheet->see($row->values);
        }

        return $seen === 0 ? [] : $sheet->decided($chosen);
    }

    /**
     * @param  array<string, ColumnForm>  $forms
     * @param  array<string, mixed>  $cells
     * @return array<string, mixed> the cells as the file format has them
     */
    public static function rewritten(array $forms, array $cells): array
    {
        foreach ($cells as $column => $cell) {
            if (is_string($cell) && isset($forms[$column]) && mb_check_encoding($cell, 'UTF-8')) {
                $cells[$column] = $forms[$column]->rewritten($cell);
            }
        }

        return $cells;
    }
}
