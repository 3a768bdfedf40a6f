<?php

declare(strict_types=1);

namespace App\Export;

use App\Catalogue\CatalogueStore;
use App\Tasks\OnlyReads;
use Illuminate\Support\Facades\Storage;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Writes all items of a type to a file for download, which is kept for a day.
 *
 * @phpstan-type ExportShape array{file: string}
 *
 * @implements OnlyReads<ExportShape>
 */
final readonly class ExportFile implements OnlyReads
{
    private const KEEP_HOURS = 24;

    public function __construct(private ItemExport $export, private CatalogueStore $store)
    {
    }

    public static function key(): string
    {
        return 'export';
    }

    /**
     * @param  array<string, mixed>  $input  type (key), format (`csv`, `json`, `jsonl`), plain (see ItemExport)
     * @return ExportShape its name on the disk `exports`
     */
    public function run(array $input, \Closure $progress): array
    {
        $key = is_string($input['type'] ?? null) ? $input['type'] : '';
        $type = $this->store->catalogue()->types[$key]
            ?? throw Refused::because('type', ProblemCode::UnknownType, "there is no type “{$key}”.");
        $format = in_array($input['format'] ?? null, ['json', 'jsonl'], true) ? $input['format'] : 'csv';
        $content = fopen('php://temp/maxmemory:8388608', 'w+b') ?: throw new \RuntimeException('No room for the file.');
        foreach ($this->export->write($type, $format, ($input['plain'] ?? false) === true, $progress) as $piece) {
            fwrite($content, $piece);
        }
        rewind($content);
        $name = "{$key}-".bin2hex(random_bytes(16)).".{$format}";
        Storage::disk('exports')->writeStream($name, $content);
        fclose($content);

        return ['file' => $name];
    }

    /** Removes expired files. */
    public static function prune(): void
    {
        $disk = Storage::disk('exports');
        $before = now()->subHours(self::KEEP_HOURS)->getTimestamp();
        $disk->delete(array_filter($disk->files(), fn (string $name): bool => $disk->lastModified($name) < $before));
    }
}
