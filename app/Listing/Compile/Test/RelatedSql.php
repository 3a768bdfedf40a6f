<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Catalogue\CatalogueStore;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Related;
use Wellspring\Core\Filter\ValueLists;

/** @implements TestSql<Related> */
final readonly class RelatedSql implements TestSql
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function test(): string
    {
        return Related::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        return Fragment::hasTerm(
            $this->catalogue->termsOf($context->pageItem(), ValueLists::texts($condition->value)),
            $of,
        );
    }
}
