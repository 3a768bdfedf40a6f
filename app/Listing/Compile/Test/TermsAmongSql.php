<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Catalogue\CatalogueStore;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\Quantifier;
use Wellspring\Core\Filter\Test\TermsAmong;

/** @implements TestSql<TermsAmong> */
final readonly class TermsAmongSql implements TestSql
{
    public function __construct(private CatalogueStore $catalogue)
    {
    }

    public function test(): string
    {
        return TermsAmong::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $wanted = $test->wanted($condition);
        if ($test->quantifier === Quantifier::All) {
            return Fragment::all(
                array_map(fn (array $slugs): Fragment => $this->has($condition, $slugs, $of), $wanted),
            );
        }
        $has = $this->has($condition, array_values(array_unique(array_merge(...$wanted))), $of);

        return $test->isNegative() ? $has->not() : $has;
    }

    /** @param  list<string>  $slugs */
    private function has(BoundCondition $condition, array $slugs, string $of): Fragment
    {
        return Fragment::hasTerm($this->catalogue->termIds($condition->field->ownKey(), $slugs), $of);
    }
}
