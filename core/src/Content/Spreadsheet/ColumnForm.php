<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/**
 * The form of the cells in one column of a spreadsheet, decided for the whole column. It converts cells to the file
 * format: numbers with a decimal point, ISO 8601 dates, lists joined by `|`, keys of choices.
 */
final readonly class ColumnForm
{
    /**
     * @param  string  $form  such as `point`, `dayFirst` or `,`; empty if cells are used unchanged
     * @param  array<string, string>  $forms  the other forms to choose from, in words, by key
     * @param  bool  $isAmbiguous  true if another form fits all cells as well
     * @param  string  $example  an example cell for the explanation; empty if no cell changes
     * @param  \Closure(string): string  $rewrite
     */
    public function __construct(
        public string $form,
        public array $forms,
        public bool $isAmbiguous,
        public string $example,
        private \Closure $rewrite,
    ) {
    }

    /** The form of cells that are used unchanged. */
    public static function asItStands(): self
    {
        return new self('', [], false, '', fn (string $cell): string => $cell);
    }

    /** The cell in the file format; unchanged if it does not fit the form. */
    public function rewritten(string $cell): string
    {
        return ($this->rewrite)($cell);
    }

    /** Explains the conversion: “24/06/2026” is read as “2026-06-24”. It is empty if no cell changes. */
    public function words(): string
    {
        $read = $this->example === '' ? '' : $this->rewritten($this->example);

        return $read === $this->example ? '' : "“{$this->example}” is read as “{$read}”.";
    }
}
