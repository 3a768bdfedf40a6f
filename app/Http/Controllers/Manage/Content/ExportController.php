<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Catalogue\CatalogueStore;
use App\Export\ExportFile;
use App\Http\Requests\Content\ExportRequest;
use App\Models\Item;
use App\Tasks\TaskAnswer;
use App\Tasks\Tasks;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\StreamedResponse;

/**
 * Exports all items of a type: a task makes the file, then it can be downloaded.
 *
 * @phpstan-import-type ExportShape from ExportFile
 */
final readonly class ExportController
{
    public function __construct(private Tasks $tasks, private CatalogueStore $store)
    {
    }

    /** @return TaskAnswer<ExportShape> */
    public function make(ExportRequest $request, string $key): TaskAnswer
    {
        $type = $this->store->catalogue()->types[$key] ?? abort(404);
        $given = $request->validated();
        $items = Item::query()->where('type_key', $key)->count();

        return $this->tasks->run(
            ExportFile::class,
            'Export '.number_format($items).' '.mb_strtolower($items === 1 ? $type->label : $type->plural),
            ['type' => $key, 'format' => $given['format'], 'plain' => (bool) ($given['plain'] ?? false)],
            $items,
        );
    }

    public function file(string $file): StreamedResponse
    {
        $disk = Storage::disk('exports');
        abort_unless($disk->exists($file), 404);

        return new StreamedResponse(fn () => fpassthru($disk->readStream($file) ?? throw new \RuntimeException), 200, [
            'Content-Type' => str_ends_with($file, '.csv') ? 'text/csv; charset=utf-8' : 'application/json',
            'Content-Disposition' => 'attachment; filename='.preg_replace('/-[0-9a-f]{32}\./', '.', $file),
        ]);
    }
}
