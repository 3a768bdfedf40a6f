<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Whitespace;

/** Other words for yes and no: Y, N, on, off, x, ✓. Common practice, no source. */
final class YesNoEvidence implements ColumnEvidence
{
    private const WORDS = [
        'y' => 'yes', 'on' => 'yes', 'x' => 'yes', '✓' => 'yes', '✔' => 'yes', 'yes' => 'yes', 'true' => 'yes',
        'n' => 'no', 'off' => 'no', '✗' => 'no', '✘' => 'no', '-' => 'no', '–' => 'no', 'no' => 'no', 'false' => 'no',
    ];

    private string $example = '';

    public function see(string $cell): void
    {
        if ($this->example === '' && self::rewritten($cell) !== $cell) {
            $this->example = Whitespace::trim($cell);
        }
    }

    public function decided(?string $chosen): ColumnForm
    {
        return new ColumnForm('', [], false, $this->example, self::rewritten(...));
    }

    private static function rewritten(string $cell): string
    {
        $word = Whitespace::trim($cell);

        return self::WORDS[$word] ?? self::WORDS[Fold::of($word)] ?? $cell;
    }
}
