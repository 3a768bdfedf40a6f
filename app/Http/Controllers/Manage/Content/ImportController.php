<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Catalogue\CatalogueStore;
use App\Http\Created;
use App\Http\Requests\Import\AddPicturesRequest;
use App\Http\Requests\Import\ImportsRequest;
use App\Http\Requests\Import\RunImportRequest;
use App\Http\Requests\Import\StartImportRequest;
use App\Http\RequestText;
use App\Http\Resources\ImportResource;
use App\Import\ColumnMatch;
use App\Import\ImportFile;
use App\Import\ImportPlan;
use App\Jobs\RunImport;
use App\Models\Import;
use App\Models\User;
use App\Tasks\JobLease;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Content\Taxonomy\Taxonomy;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Imports of items from files.
 *
 * @phpstan-import-type ImportShape from ImportResource
 *
 * @phpstan-type ImportLineShape array{
 *     id: int, name: string, state: 'new'|'checking'|'checked'|'writing'|'done'|'failed',
 * }
 */
final readonly class ImportController
{
    private const LATELY = 6;

    public function __construct(private CatalogueStore $catalogue, private ImportResource $shape)
    {
    }

    /** @return Created<ImportShape> */
    public function store(StartImportRequest $request): Created
    {
        $type = $this->type(RequestText::text($request, 'type'));
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('file', ProblemCode::Missing, 'expected a file of at most 60 MB.');
        }
        $ending = strtolower($file->getClientOriginalExtension());
        if (! in_array($ending, ['csv', 'tsv', 'txt', 'json', 'jsonl', 'ndjson'], true)) {
            throw Refused::because(
                'file',
                ProblemCode::UnknownKind,
                'expected a table (.csv, .tsv, .txt) or objects (.json, .jsonl).',
            );
        }
        $path = $this->named($file, $ending);
        $headings = ImportFile::headings($path);
        ImportFile::samples($path);
        if ($headings === []) {
            throw Refused::because(
                'file',
                ProblemCode::NoColumns,
                'no columns are found in this file; expected a heading row, or objects with keys.',
            );
        }
        $user = $request->user();
        $row = Import::query()->create([
            'user_id' => $user instanceof User ? $user->id : null,
            'type_key' => $type->key,
            'name' => $file->getClientOriginalName(),
            'file' => '',
            'columns' => $headings,
        ]);
        $columns = ColumnMatch::guess($type, $headings);
        $row->update([
            'file' => (string) Storage::disk('imports')->putFileAs((string) $row->id, $file, "data.{$ending}"),
            'options' => [
                'columns' => (object) $columns,
                'mode' => 'create',
                'key' => 'slug',
                'makeTerms' => array_filter(
                    array_intersect_key($type->taxonomies, array_flip(array_filter($columns))),
                    fn (Taxonomy $taxonomy): bool => $taxonomy->terms->all() === [],
                ) !== [],
                'skipBad' => false,
                'plain' => false,
            ],
        ]);

        return new Created($this->shape->whole($row));
    }

    /** @return list<ImportLineShape> the last ones of a type */
    public function index(ImportsRequest $request): array
    {
        $rows = Import::query()->where('type_key', RequestText::text($request, 'type'))
            ->latest('id')
            ->limit(self::LATELY)
            ->get()
            ->all();

        return array_map(
            fn (Import $row): array => ['id' => $row->id, 'name' => $row->name, 'state' => $row->state],
            array_values($rows),
        );
    }

    /** @return ImportShape */
    public function show(int $id): array
    {
        return $this->shape->whole($this->row($id));
    }

    /** @return ImportShape */
    public function addPictures(AddPicturesRequest $request, int $id): array
    {
        $row = $this->row($id);
        $file = $request->file('pictures');
        if (! $file instanceof UploadedFile || ! $file->isValid()) {
            throw Refused::because('pictures', ProblemCode::Missing, 'expected a zip file of at most 60 MB.');
        }
        new \App\Import\PictureZip((string) $file->getRealPath());
        $row->update([
            'pictures' => (string) Storage::disk('imports')->putFileAs((string) $row->id, $file, 'pictures.zip'),
        ]);

        return $this->shape->whole($row);
    }

    /**
     * Checks every row, or writes the rows, depending on the options.
     *
     * @return ImportShape
     */
    public function run(RunImportRequest $request, int $id): array
    {
        $given = $request->validated();
        $row = $this->row($id);
        if ($row->isUnderWay() && ! JobLease::isStopped($row)) {
            throw Refused::because('', ProblemCode::Busy, 'This import is under way already.');
        }
        $row->job_id === null || JobLease::discard($row->job_id);
        $options = (array) ($request->json()->all()['options'] ?? $given['options'] ?? []);
        ImportPlan::read($options, $this->type($row->type_key), null);
        $row->update([
            'options' => ['columns' => (object) ($options['columns'] ?? [])] + $options,
            'state' => $given['write'] ? 'writing' : 'checking',
            'done' => 0,
            'job_id' => null,
        ]);
        $job = JobLease::dispatch(new RunImport($row->id, (bool) $given['write']));
        Import::query()->whereKey($row->id)->update(['job_id' => $job]);

        return $this->shape->whole($row->refresh());
    }

    /** @return array{removed: int} */
    public function remove(int $id): array
    {
        $row = $this->row($id);
        Storage::disk('imports')->deleteDirectory((string) $row->id);
        $row->delete();

        return ['removed' => $id];
    }

    /** Stores the file under a name with an extension that fits its kind. */
    private function named(UploadedFile $file, string $ending): string
    {
        $path = sys_get_temp_dir().'/import-'.bin2hex(random_bytes(8)).".{$ending}";
        copy((string) $file->getRealPath(), $path);
        app()->terminating(fn () => @unlink($path));

        return $path;
    }

    private function row(int $id): Import
    {
        return Import::query()->findOrFail($id);
    }

    private function type(string $key): Type
    {
        return $this->catalogue->catalogue()->type($key)
            ?? throw Refused::because(
                'type',
                ProblemCode::UnknownType,
                'expected one of '.implode(', ', array_keys($this->catalogue->catalogue()->types)).'.',
            );
    }
}
