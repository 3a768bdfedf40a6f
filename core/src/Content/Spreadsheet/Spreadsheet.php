<?php

declare(strict_types=1);

namespace Wellspring\Core\Content\Spreadsheet;

use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;

/** Decides the form of each column of a spreadsheet from all its cells. */
final class Spreadsheet
{
    /** @var array<string, ColumnEvidence> by column */
    private array $evidence = [];

    private readonly bool $hasComma;

    private readonly bool $isDayFirst;

    /**
     * @param  array<string, Field>  $fields  by column
     * @param  string  $locale  the site's
     */
    public function __construct(array $fields, string $locale, private readonly \DateTimeZone $zone)
    {
        $this->hasComma = (new \NumberFormatter($locale, \NumberFormatter::DECIMAL))
            ->getSymbol(\NumberFormatter::DECIMAL_SEPARATOR_SYMBOL) === ',';
        $day = (string) (new \IntlDateFormatter($locale, \IntlDateFormatter::SHORT, \IntlDateFormatter::NONE))
            ->getPattern();
        $this->isDayFirst = ! is_int(strpos($day, 'M')) || strpos($day, 'd') < strpos($day, 'M');
        foreach ($fields as $column => $field) {
            $evidence = $this->for($field);
            if ($evidence !== null) {
                $this->evidence[$column] = $evidence;
            }
        }
    }

    /** @param  array<string, mixed>  $cells  of one row, by column */
    public function see(array $cells): void
    {
        foreach ($this->evidence as $column => $evidence) {
            $cell = $cells[$column] ?? null;
            if (is_string($cell) && $cell !== '' && mb_check_encoding($cell, 'UTF-8')) {
                $evidence->see($cell);
            }
        }
    }

    /**
     * @param  array<string, string>  $chosen  forms that a person has chosen, by column
     * @return array<string, ColumnForm> by column
     */
    public function decided(array $chosen): array
    {
        $forms = [];
        foreach ($this->evidence as $column => $evidence) {
            $forms[$column] = $evidence->decided($chosen[$column] ?? null);
        }

        return $forms;
    }

    private function for(Field $field): ?ColumnEvidence
    {
        return match ($field->family()) {
            Family::Number => new NumberEvidence($this->hasComma),
            Family::Date => new DateEvidence($this->isDayFirst, $this->zone, false),
            Family::Instant => new DateEvidence($this->isDayFirst, $this->zone, true),
            Family::YesNo => new YesNoEvidence,
            Family::Choice => new ListEvidence($field, false),
            Family::Choices, Family::Terms => new ListEvidence($field, true),
            default => null,
        };
    }
}
