<?php

declare(strict_types=1);

namespace App\Content\Types;

use App\Tasks\LongWork;

/**
 * Changes a content type and converts its items, as a task.
 *
 * @implements LongWork<array{key: string, change: int|null}>
 */
final readonly class TypeChange implements LongWork
{
    public function __construct(private TypeWriter $writer)
    {
    }

    public static function key(): string
    {
        return 'typeChange';
    }

    /**
     * @param  array<string, mixed>  $input  file (a type file), renamed (new keys by old), withLoss, revision (the one
     *   that the change started from)
     * @return array{key: string, change: int|null}
     */
    public function run(array $input, \Closure $progress): array
    {
        $renamed = array_filter((array) ($input['renamed'] ?? []), is_string(...));
        $applied = $this->writer->apply(
            $input['file'] ?? null,
            $renamed,
            ($input['withLoss'] ?? false) === true,
            progress: $progress,
            revision: is_int($input['revision'] ?? null) ? $input['revision'] : null,
        );

        return ['key' => $applied->type->key, 'change' => $applied->change?->id];
    }
}
