<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/** Sees the cells of a column, one after the other, and decides how they are written. */
interface ColumnEvidence
{
    public function see(string $cell): void;

    /** @param  string|null  $chosen  a form that a person has chosen */
    public function decided(?string $chosen): ColumnForm;
}
