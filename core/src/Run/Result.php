<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

use Wellspring\Core\Content\RecordKey;

/** What a run gives: one page of records, the count after every step, and the headings. */
final readonly class Result
{
    /**
     * @param  list<Step>  $steps
     * @param  list<RecordKey>  $keys  the page's records, in order
     * @param  array<string, int>  $headings  how many of all that show stand under each heading, in order; pinned
     *   records stand under none
     * @param  array<string, string>  $under  the key of the heading of each of the page's records, by the record's
     *   key as text; pinned ones have none
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
