<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/** Reads the cells of a column one by one, and decides their form. */
interface ColumnEvidence
{
    public function see(string $cell): void;

    /** @param  string|null  $chosen  a form that a person has chosen */
    public function decided(?string $chosen): ColumnForm;
}
