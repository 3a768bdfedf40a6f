<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

/**
 * Numbers and amounts of money with currency signs and units, thousands separators, and a decimal point or comma.
 * Common practice, no source.
 */
final class NumberEvidence implements ColumnEvidence
{
    public const POINT = 'point';

    public const COMMA = 'comma';

    /** Thousands separators: spaces, narrow spaces and apostrophes. */
    private const BLANKS = '/[\s\x{00A0}\x{202F}\x{2009}\'’]+/u';

    private bool $isPoint = false;

    private bool $isComma = false;

    private bool $isEither = false;

    private string $example = '';

    /** @param  bool  $hasComma  true if the site's language uses a decimal comma */
    public function __construct(private readonly bool $hasComma)
    {
    }

    public function see(string $cell): void
    {
        $digits = self::bare($cell);
        if ($digits === null) {
            return;
        }
        $points = substr_count($digits, '.');
        $commas = substr_count($digits, ',');
        if ($points + $commas === 0) {
            $this->remember($cell);

            return;
        }
        $last = strrpos($digits, '.') > (int) strrpos($digits, ',') || $commas === 0 ? '.' : ',';
        $isOnlyOne = $points + $commas === 1;
        // A single separator before three digits is ambiguous: 1,234 and 1.234.
        $after = strlen($digits) - (int) strrpos($digits, $last) - 1;
        if ($isOnlyOne && $after === 3 && preg_match('/^[+-]?0[.,]/', $digits) !== 1) {
            $this->isEither = true;
        } elseif ($points > 0 && $commas > 0 || $isOnlyOne) {
            $last === '.' ? $this->isPoint = true : $this->isComma = true;
        } else {
            // Several separators of one kind are thousands separators.
            $last === '.' ? $this->isComma = true : $this->isPoint = true;
        }
        $this->remember($cell);
    }

    public function decided(?string $chosen): ColumnForm
    {
        $found = match (true) {
            $this->isPoint && ! $this->isComma => self::POINT,
            $this->isComma && ! $this->isPoint => self::COMMA,
            default => $this->hasComma && ($this->isEither || $this->isComma) ? self::COMMA : self::POINT,
        };
        $form = in_array($chosen, [self::POINT, self::COMMA], true) ? $chosen : $found;
        $isAmbiguous = $this->isEither && ! $this->isPoint && ! $this->isComma || $this->isPoint && $this->isComma;

        return new ColumnForm(
            $form,
            $isAmbiguous || $chosen !== null
                ? [
                    self::POINT => 'a point before decimals: 1,234.56',
                    self::COMMA => 'a comma before decimals: 1.234,56',
                ]
                : [],
            $isAmbiguous,
            $this->example,
            fn (string $cell): string => self::rewritten($cell, $form),
        );
    }

    private static function rewritten(string $cell, string $form): string
    {
        $digits = self::bare($cell);
        if ($digits === null) {
            return $cell;
        }
        $number = $form === self::POINT
            ? str_replace(',', '', $digits)
            : str_replace(',', '.', str_replace('.', '', $digits));

        return preg_match('/^[+-]?\d*\.?\d+$/D', $number) === 1 ? ltrim($number, '+') : $cell;
    }

    /** The digits, separators and sign of a number; null if other characters are between them. */
    private static function bare(string $cell): ?string
    {
        $text = (string) preg_replace(self::BLANKS, '', $cell);
        $isBelow = preg_match('/^\(.*\)$|^[^\d]*[-−]|[-−]$/u', $text) === 1;
        if (preg_match('/^[^\d.,]*([.,]?\d[\d.,]*)[^\d.,]*$/u', $text, $found) !== 1) {
            return null;
        }

        return ($isBelow ? '-' : '').rtrim($found[1], '.,');
    }

    private function remember(string $cell): void
    {
        if ($this->example === '' && preg_match('/[^\d.-]/u', trim($cell)) === 1) {
            $this->example = trim($cell);
        }
    }
}
