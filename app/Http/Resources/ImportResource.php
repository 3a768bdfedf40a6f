<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Catalogue\CatalogueStore;
use App\Import\ColumnForms;
use App\Import\ImportFile;
use App\Import\ImportPlan;
use App\Import\ImportRows;
use App\Models\Import;
use App\Tasks\JobLease;
use Illuminate\Support\Facades\Storage;
use OpenApi\Attributes as OA;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Kind\Text;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * A file on its way in, as the manage screens take it: its columns, how they are read, what checking or writing it
 * came to.
 *
 * @phpstan-type ImportOptionsShape array<string, mixed>
 * @phpstan-type ColumnReadingShape array{
 *     column: string, words: string, ambiguous: bool, form: string, forms: list<array{key: string, label: string}>,
 * }
 * @phpstan-type ImportResultShape array<string, mixed>
 * @phpstan-type ImportShape array{
 *     id: int, type: string, name: string, state: 'new'|'checking'|'checked'|'writing'|'done'|'failed',
 *     stopped: bool, rows: int, done: int, headings: list<string>, samples: JsonMap<string>,
 *     options: ImportOptionsShape, readings: list<ColumnReadingShape>,
 *     columns: list<array{key: string, label: string, needed: bool}>, keys: list<array{key: string, label: string}>,
 *     pictures: bool, result: ImportResultShape|null, change: int|null,
 * }
 */
#[OA\Schema(schema: 'ImportOptions', type: 'object', required: [
    'columns', 'mode', 'key', 'makeTerms', 'skipBad', 'plain',
], properties: [
    new OA\Property(
        'columns',
        description: 'The column that each heading of the file is read as.',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'string', nullable: true),
    ),
    new OA\Property('mode', type: 'string', enum: ['create', 'update', 'both']),
    new OA\Property('key', type: 'string'),
    new OA\Property(
        'forms',
        description: 'How columns are written, where a person has chosen it.',
        type: 'object',
        additionalProperties: new OA\AdditionalProperties(type: 'string'),
    ),
    new OA\Property('makeTerms', type: 'boolean'),
    new OA\Property('skipBad', type: 'boolean'),
    new OA\Property(
        'plain',
        description: 'Whether an apostrophe before what looks like a formula is a part of the text.',
        type: 'boolean',
    ),
])]
#[OA\Schema(schema: 'ImportResult', type: 'object', required: ['problems'], properties: [
    new OA\Property('created', type: 'integer'),
    new OA\Property('changed', type: 'integer'),
    new OA\Property('unchanged', type: 'integer'),
    new OA\Property('bad', type: 'integer'),
    new OA\Property('problemCount', type: 'integer'),
    new OA\Property('problems', type: 'array', items: new OA\Items(type: 'object', required: [
        'path', 'message',
    ], properties: [
        new OA\Property('path', type: 'string'),
        new OA\Property('message', type: 'string'),
    ])),
    new OA\Property('preview', type: 'array', items: new OA\Items(type: 'object', required: [
        'place', 'becomes', 'cells',
    ], properties: [
        new OA\Property('place', type: 'string'),
        new OA\Property('becomes', type: 'string', enum: ['created', 'changed', 'unchanged', 'bad']),
        new OA\Property(
            'cells',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        ),
    ])),
    new OA\Property('newTerms', type: 'array', items: new OA\Items(type: 'string')),
])]
final readonly class ImportResource
{
    /** Rows that are looked at to tell how columns are written; all are when they are checked. */
    private const LOOKED_AT = 2_000;

    public function __construct(private CatalogueStore $catalogue, private ColumnForms $forms)
    {
    }

    /** @return ImportShape */
    public function whole(Import $row): array
    {
        $type = $this->catalogue->catalogue()->type($row->type_key)
            ?? throw Refused::because('type', ProblemCode::UnknownType, 'There is no such content type any more.');
        $reader = new ItemReader($type);
        $known = Storage::disk('imports')->exists($row->file);

        return [
            'id' => $row->id,
            'type' => $row->type_key,
            'name' => $row->name,
            'state' => $row->state,
            'stopped' => JobLease::isStopped($row),
            'rows' => $row->rows,
            'done' => $row->done,
            'headings' => $row->columns,
            'samples' => new JsonMap(
                $known ? ImportFile::samples(Storage::disk('imports')->path($row->file)) : [],
            ),
            'options' => $row->options,
            'readings' => $known && ! $row->isUnderWay() ? $this->readings($row, $type) : [],
            'columns' => array_map(
                fn (string $column): array => [
                    'key' => $column,
                    'label' => $reader->field($column)->label ?? $column,
                    'needed' => $column === 'title' || ($type->fields[$column] ?? null)?->required === true,
                ],
                $reader->columns(),
            ),
            'keys' => array_map(
                fn (string $key): array => [
                    'key' => $key,
                    'label' => $key === 'slug'
                        ? 'Slug'
                        : ($type->fields[$key] ?? new Field($key, $key, new Text))->label,
                ],
                ImportPlan::keys($type),
            ),
            'pictures' => $row->pictures !== null,
            'result' => $row->result,
            'change' => $row->change_id,
        ];
    }

    /** @return list<ColumnReadingShape> of the columns whose cells are rewritten, or can be read in several forms */
    private function readings(Import $row, Type $type): array
    {
        try {
            $plan = ImportPlan::read((array) json_decode((string) json_encode($row->options), true), $type, null);
            $rows = new ImportRows(
                Storage::disk('imports')->path($row->file),
                $plan,
                (new ItemReader($type))->columns(),
            );
            $forms = $this->forms->of($rows, $type, $plan->forms, self::LOOKED_AT);
        } catch (Refused) {
            // The check of the rows reports faults of the file and of its columns.
            return [];
        }
        $readings = [];
        foreach ($forms as $column => $form) {
            if ($form->words() !== '' || $form->forms !== []) {
                $readings[] = [
                    'column' => (string) $column, 'words' => $form->words(), 'ambiguous' => $form->isAmbiguous,
                    'form' => $form->form,
                    'forms' => array_map(
                        fn (string $key, string $label): array => ['key' => $key, 'label' => $label],
                        array_keys($form->forms),
                        array_values($form->forms),
                    ),
                ];
            }
        }

        return $readings;
    }
}
