<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** What a run gives: one page of records, the count after every step, and the headings. */
final readonly class Result
{
    /**
     * @param  list<Step>  $steps
     * @param  list<int>  $ids  the page's records, in order
     * @param  array<string, int>  $headings  how many of all that show stand under each heading, in order; pinned
     *   records stand under none
     * @param  array<int, string>  $under  the key of the heading of each of the page's records, by id; pinned ones
     *   have none
     */
    public function __construct(
        public int $total,
        public int $pages,
        public int $page,
        public array $steps,
        public array $ids,
        public array $headings = [],
        public array $under = [],
    ) {
    }
}
