<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/**
 * How the cells of one column of an ordinary spreadsheet are written, decided for the column as a whole. It rewrites a
 * cell in the form of the file format: numbers with a point, ISO 8601 dates, lists joined by `|`, keys of choices.
 */
final readonly class ColumnForm
{
    /**
     * @param  string  $form  such as `point`, `dayFirst` or `,`; empty where cells are taken as they stand
     * @param  array<string, string>  $forms  the forms that a person can choose instead, in words, by key
     * @param  bool  $isAmbiguous  whether the cells can be read in another of the forms as well
     * @param  string  $example  a cell of the column, to show how it is read; empty where no cell changes
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

    /** Cells that are taken as they stand. */
    public static function asItStands(): self
    {
        return new self('', [], false, '', fn (string $cell): string => $cell);
    }

    /** The cell as the file format has it; unchanged where it cannot be read in this form. */
    public function rewritten(string $cell): string
    {
        return ($this->rewrite)($cell);
    }

    /** Says how cells are read: “24/06/2026” is read as “2026-06-24”. It is empty where no cell changes. */
    public function words(): string
    {
        $read = $this->example === '' ? '' : $this->rewritten($this->example);

        return $read === $this->example ? '' : "“{$this->example}” is read as “{$read}”.";
    }
}
