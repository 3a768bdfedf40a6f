<?php

declare(strict_types=1);

namespace Wellspring\Core\Run;

/** What a run gives: one page of records and the count after every step. */
final readonly class Result
{
    /**
     * @param  list<Step>  $steps
     * @param  list<int>  $ids  the page's records, in order
     */
    public function __construct(
        public int $total,
        public int $pages,
        public int $page,
        public array $steps,
        public array $ids,
    ) {
    }
}
