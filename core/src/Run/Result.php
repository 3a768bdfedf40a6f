<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Content\RecordKey;

/** The result of a run: one page of records, the count after every step, and the headings. */
final readonly class Result
{
    /**
     * @param  list<Step>  $steps
     * @param  list<RecordKey>  $keys  the page's records, in order
     * @param  array<string, int>  $headings  the number of all shown records under each heading, in order; pinned
     *   records have no heading
     * @param  array<string, string>  $under  the heading's key of each record on the page, by the record's key as text;
     *   pinned ones have none
     */
    public function __construct(
        public int $total,
        public int $pages,
        public int $page,
        public array $steps,
        public array $keys,
        public array $headings = [],
        public array $under = [],
    ) {
    }

    /** @return list<int> of the page's records, in order; once for each occurrence */
    public function ids(): array
    {
        return array_map(fn (RecordKey $key): int => $key->id, $this->keys);
    }
}
