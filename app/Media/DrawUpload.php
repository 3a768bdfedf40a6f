<?php

declare(strict_types=1);

namespace App\Media;

use App\Models\Media;
use App\Tasks\LongWork;
use Illuminate\Support\Facades\Storage;

/**
 * Processes a large uploaded picture, as a task.
 *
 * @phpstan-import-type MediaShape from Media
 *
 * @implements LongWork<MediaShape>
 */
final readonly class DrawUpload implements LongWork
{
    public function __construct(private MediaStore $store)
    {
    }

    public static function key(): string
    {
        return 'picture';
    }

    /**
     * @param  array<string, mixed>  $input  file (its path on the disk `imports`), name (of the original file), alt
     * @return MediaShape
     */
    public function run(array $input, \Closure $progress): array
    {
        $text = fn (string $key): string => is_string($input[$key] ?? null) ? $input[$key] : '';
        try {
            return $this->store->take(
                Storage::disk('imports')->path($text('file')),
                $text('name'),
                $text('alt'),
            )->about();
        } finally {
            Storage::disk('imports')->delete($text('file'));
        }
    }
}
