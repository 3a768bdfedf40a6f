<?php

declare(strict_types=1);

namespace App\Listing\Compile;

use App\Content\CatalogueStore;
use App\Listing\Fragment;
use Wellspring\Core\Filter\Condition;
use Wellspring\Core\Filter\Test\TermsOneOf;

/** @implements TestSql<TermsOneOf> */
final readonly class TermsOneOfSql implements TestSql
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function test(): string
    {
        return TermsOneOf::class;
    }

    public function fragment(object $test, Condition $condition): Fragment
    {
        $ids = $this->catalogue->termIds($condition->field->key, $test->wanted($condition));
        $fragment = new Fragment(
            'exists (select 1 from item_term where item_term.item_id = items.id and item_term.term_id = any(?::bigint[]))',
            [Fragment::arrayLiteral($ids)],
        );

        return $test->kept ? $fragment : $fragment->not();
    }
}
