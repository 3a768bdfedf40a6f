<?php

declare(strict_types=1);

namespace App\Listing\Compile\Test;

use App\Listing\Compile\FieldSql;
use App\Listing\Compile\Fragment;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Filter\BoundCondition;
use Wellspring\Core\Filter\Test\TextMatch;
use Wellspring\Core\Filter\Test\TextPosition;

/** @implements TestSql<TextMatch> */
final class TextMatchSql implements TestSql
{
    public function test(): string
    {
        return TextMatch::class;
    }

    public function fragment(object $test, BoundCondition $condition, Context $context, string $of): Fragment
    {
        $text = FieldSql::folded($condition->field, $of);
        $needle = $test->needle($condition);
        $fragment = match ($test->position) {
            TextPosition::Whole => FieldSql::isOneOf($condition->field, [$needle], $of),
            TextPosition::Contains => new Fragment("strpos({$text}, ?) > 0", [$needle]),
            TextPosition::Begins => new Fragment(
                'starts_with('.(mb_strlen($needle) <= FieldSql::INDEXED_LETTERS
                    ? FieldSql::beginning($condition->field, $of)
                    : $text).', ?)',
                [$needle],
            ),
            TextPosition::Ends => new Fragment("right({$text}, ?::int) = ?", [mb_strlen($needle), $needle]),
        };

        return $test->kept ? $fragment : $fragment->not();
    }
}
