<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Spreadsheet\ColumnForm;
use Wellspring\Core\Content\Spreadsheet\Spreadsheet;

/** Ordinary spreadsheets: each column is read in one form, decided from all its cells. */
final class SpreadsheetTest extends TestCase
{
    /**
     * @param  list<string>  $cells
     * @param  list<string>  $read
     */
    #[DataProvider('columns')]
    public function test_a_column_is_read_in_one_form(
        string $field,
        array $cells,
        array $read,
        bool $isAmbiguous = false,
        string $locale = 'en-GB',
        ?string $chosen = null,
    ): void {
        $form = self::form($field, $cells, $locale, $chosen);
        $this->assertSame($read, array_map($form->rewritten(...), $cells));
        $this->assertSame($isAmbiguous, $form->isAmbiguous);
        $this->assertSame($isAmbiguous || $chosen !== null, $form->forms !== []);
    }

    /** @return array<string, array{0: string, 1: list<string>, 2: list<string>, 3?: bool, 4?: string, 5?: string}> */
    public static function columns(): array
    {
        return [
            'amounts with a sign' => ['price', ['£77.76', '£1,204.50', 'free'], ['77.76', '1204.50', 'free']],
            'amounts after a comma' => ['price', ['77,76 €', '1.204,50 €', '-3,5 €'], ['77.76', '1204.50', '-3.5']],
            'as the format has them' => ['price', ['4.2', '-7', '1204'], ['4.2', '-7', '1204']],
            'losses in brackets' => ['price', ['(4.20)', '1 204.00', "1'000.5"], ['-4.20', '1204.00', '1000.5']],
            'three digits alone' => ['price', ['1,204', '7'], ['1204', '7'], true],
            'three digits in German' => ['price', ['1.204', '7'], ['1204', '7'], true, 'de-DE'],
            'three digits, told by others' => ['price', ['1,204', '2.5'], ['1204', '2.5']],
            'three digits, as chosen' => ['price', ['1,204'], ['1.204'], true, 'en-GB', 'comma'],
            'millions' => ['price', ['1,204,000'], ['1204000']],
            'below one' => ['price', ['0,125'], ['0.125']],
            'two numbers' => ['price', ['3-5', '3 or 5'], ['3-5', '3 or 5']],
            'day first, told by one' => ['sown', ['24/06/2026', '03/04/2026'], ['2026-06-24', '2026-04-03']],
            'month first, told by one' => ['sown', ['06/24/2026', '03/04/2026'], ['2026-06-24', '2026-03-04']],
            'day first, by the country' => ['sown', ['03/04/2026'], ['2026-04-03'], true],
            'month first, by the country' => ['sown', ['03/04/2026'], ['2026-03-04'], true, 'en-US'],
            'day first, as chosen' => ['sown', ['03/04/2026'], ['2026-04-03'], true, 'en-US', 'dayFirst'],
            'both orders' => ['sown', ['24/06/2026', '06/24/2026'], ['2026-06-24', '06/24/2026'], true],
            'points and short years' => ['sown', ['24.6.26', '1.12.99'], ['2026-06-24', '1999-12-01']],
            'in words' => ['sown', ['24 June 2026', 'Jun 24, 2026', 'soon'], ['2026-06-24', '2026-06-24', 'soon']],
            'ISO' => ['sown', ['2026-06-24', '2026/06/24'], ['2026-06-24', '2026-06-24']],
            'no such day' => ['sown', ['31/02/2026', '24/06/2026'], ['31/02/2026', '2026-06-24']],
            'moments' => ['publish_at', ['24/06/2026 19:30', '24/06/2026'], ['2026-06-24T18:30:00Z', '2026-06-24']],
            'yes and no' => ['hardy', ['Y', 'No', '✓', 'FALSE', '1'], ['yes', 'no', 'yes', 'no', '1']],
            'labels of a choice' => ['light', ['Shade', 'half shade', 'FULL SUN'], ['shade', 'half-shade', 'sun']],
            'a list by commas' => ['uses', ['Pot, Cut', 'pot'], ['pot | cut', 'pot'], true],
            'a list by semicolons' => ['uses', ['pot; cut'], ['pot | cut'], true],
            'a list by bars' => ['uses', ['pot | cut', 'pot'], ['pot | cut', 'pot']],
            'terms by commas' => ['groups', ['Ferns, Hostas'], ['Ferns | Hostas'], true],
            'terms that hold commas' => ['groups', ['Ferns, Hostas'], ['Ferns, Hostas'], true, 'en-GB', '|'],
            'one line of text' => ['nickname', ['1,204', '24/06/2026'], ['1,204', '24/06/2026']],
        ];
    }

    public function test_how_a_column_is_read_is_said_with_a_cell_of_it(): void
    {
        $this->assertSame('“£77.76” is read as “77.76”.', self::form('price', ['3', '£77.76'])->words());
        $this->assertSame('', self::form('price', ['3', '77.76'])->words());
        $this->assertSame('“03/04/2026” is read as “2026-04-03”.', self::form('sown', ['03/04/2026'])->words());
        $this->assertSame('“Y” is read as “yes”.', self::form('hardy', ['Y'])->words());
    }

    /** @param  list<string>  $cells */
    private static function form(
        string $field,
        array $cells,
        string $locale = 'en-GB',
        ?string $chosen = null,
    ): ColumnForm {
        $type = Garden::catalogue()->types['plant'];
        $fields = [$field => $type->reachable[$field] ?? throw new \LogicException("No field {$field}.")];
        $sheet = new Spreadsheet($fields, $locale, new \DateTimeZone('Europe/London'));
        foreach ($cells as $cell) {
            $sheet->see([$field => $cell]);
        }

        return $sheet->decided($chosen === null ? [] : [$field => $chosen])[$field] ?? ColumnForm::asItStands();
    }
}
