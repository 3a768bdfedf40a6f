<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Card\Format;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Tests;

/** How values of every kind are read and written. */
final class KindsTest extends TestCase
{
    use TestTrait;

    #[DataProvider('cells')]
    public function test_cells(string $field, string $cell, mixed $value): void
    {
        $read = Garden::plant()->fields[$field];
        $this->assertSame($value, $read->kind->readCell($cell, $read));
        $this->assertSame($value, $read->kind->read($value, $read), 'what was read is read again unchanged');
    }

    /** @return list<array{string, string, mixed}> instants and dates as ISO 8601 writes them */
    public static function cells(): array
    {
        return [
            ['height', ' 12 ', 12], ['height', '-0.50', -0.5], ['height', '.5', 0.5], ['height', '5.', 5], ['height', '+3', 3], ['height', '007', 7], ['height', '1e3', 1000], ['height', '1E-2', 0.01], ['height', '', null],
            ['height', '9007199254740993', 9007199254740993], ['height', '0', 0],
            ['hardy', 'YES', true], ['hardy', 'false', false], ['hardy', '1', true], ['hardy', ' no ', false], ['hardy', '', null],
            ['light', ' shade ', 'shade'], ['light', '', null],
            ['uses', 'cut | pot | cut', ['pot', 'cut']], ['uses', ' | ', null],
            ['sown', '2024-02-29', '2024-02-29'], ['sown', '', null],
            ['watered', '2026-05-01', '2026-05-01T00:00:00Z'], ['watered', '2026-05-01 18:30', '2026-05-01T18:30:00Z'], ['watered', '2026-05-01T18:30:05.999Z', '2026-05-01T18:30:05Z'],
            ['watered', '2026-05-01T00:30:00+01:00', '2026-04-30T23:30:00Z'], ['watered', '2026-05-01T00:30-0330', '2026-05-01T04:00:00Z'],
            ['nickname', "  two\nlines ", 'two lines'], ['nickname', "\u{A0}", null], ['nickname', '=1+1', '=1+1'], ['nickname', '007', '007'],
            ['story', '<p>&nbsp;</p>', null], ['story', ' <p>x</p> ', '<p>x</p>'], ['story', '<img src="a">', '<img src="a">'],
            ['picture', 'a-fern.webp', 'a-fern.webp'], ['picture', '', null],
        ];
    }

    #[DataProvider('wrongCells')]
    public function test_wrong_cells(string $field, string $cell): void
    {
        $read = Garden::plant()->fields[$field];
        $this->expectException(WrongValue::class);
        $this->expectExceptionMessageMatches('/^expected .+\.$/s');
        $read->kind->readCell($cell, $read);
    }

    /** @return list<array{string, string}> */
    public static function wrongCells(): array
    {
        return [
            ['height', '1,5'], ['height', '12 cm'], ['height', '0x1A'], ['height', 'NaN'], ['height', '1e400'], ['height', '--1'], ['height', '١٢'], ['height', '.'],
            ['hardy', 'y'], ['hardy', '2'], ['light', 'Shade'], ['uses', 'pot | roof'], ['uses', 'pot,cut'],
            ['sown', '2023-02-29'], ['sown', '2024-2-9'], ['sown', '01/05/2026'], ['sown', "2024-02-09\n1"],
            ['watered', 'tomorrow'], ['watered', '2026-13-01'], ['watered', '2026-02-30T10:00Z'], ['watered', '2026-05-01T25:00Z'], ['watered', '1777659000'], ['watered', '9999-12-31T23:59:59-12:00'], ['watered', '0000-01-01'], ['watered', '0001-01-01T00:00+02:00'],
            ['nickname', "bell\x07"], ['nickname', "\xFF"], ['story', "nul\0"], ['picture', '../../etc/passwd'], ['picture', 'Fern.webp'], ['picture', 'fern'],
        ];
    }

    public function test_limits_of_a_field_are_kept(): void
    {
        $field = new Field('stock', 'Stock', Kinds::all()['number'], limits: new Limits(minimum: 0, maximum: 9.5));
        foreach ([0, 9.5, 4] as $in) {
            $this->assertSame($in, $field->kind->read($in, $field));
        }
        foreach ([-1, 9.6, 1e9, INF, NAN, '4', true, [4]] as $out) {
            try {
                $field->kind->read($out, $field);
                $this->fail('Outside the limits, or no number.');
            } catch (WrongValue $wrong) {
                $this->assertStringContainsString('expected a number', $wrong->getMessage());
            }
        }
        $short = new Field('code', 'Code', Kinds::all()['text'], limits: new Limits(maxLength: 3));
        $this->assertSame('äöü', $short->kind->read('äöü', $short), 'characters count, not bytes');
        $this->expectException(WrongValue::class);
        $short->kind->read('abcd', $short);
    }

    public function test_a_number_in_a_cell_is_the_number_in_json(): void
    {
        $field = Garden::plant()->fields['height'];
        $this->forAll(Generators::oneOf(Generators::int(), Generators::float()))->then(function (int|float $number) use ($field): void {
            $read = $field->kind->readCell((string) json_encode($number), $field);
            $this->assertTrue($read == $number);
            $this->assertSame($read, $field->kind->read(json_decode((string) json_encode($read), true), $field));
        });
    }

    public function test_every_family_has_tests_each_key_once(): void
    {
        foreach (Family::cases() as $family) {
            $keys = array_map(fn ($test): string => $test->key(), Tests::for($family));
            $this->assertSame($keys, array_values(array_unique($keys)), $family->value);
            $this->assertContains('empty', $keys);
            $this->assertContains('filled', $keys);
        }
        $this->assertNull(Tests::find('contains', Family::Number));
        $this->assertNotSame(Tests::find('anyOf', Family::Terms), Tests::find('anyOf', Family::Choice));
    }

    /** The expected words are CLDR's, as ext-intl carries it. */
    public function test_values_are_written_as_each_site_writes_them(): void
    {
        $plant = Garden::plant()->fields;
        $german = new Format('de-DE', 'EUR', 'Europe/Berlin');
        $this->assertSame("1.234,50\u{A0}€", $german->value($plant['price'], 1234.5));
        $this->assertSame("0,125\u{A0}cm", $german->value($plant['height'], 0.125));
        $this->assertSame('1. Mai 2026', $german->value($plant['sown'], '2026-05-01'));
        $american = new Format('en-US', 'USD', 'America/St_Johns');
        $this->assertSame('-$0.99', $american->value($plant['price'], -0.99));
        $this->assertSame('Apr 30, 2026', $american->value($plant['watered'], '2026-05-01T02:00:00Z'), 'the day is that of the site’s time zone');
        $this->assertSame('May 1, 2026', $american->value($plant['sown'], '2026-05-01'), 'a plain day is that day everywhere');
        $this->assertSame('Half shade', $american->value($plant['light'], 'half-shade'));
        $this->assertSame('Pot, Cut', $american->value($plant['uses'], ['pot', 'cut']));
        $this->assertSame('gone', $american->value($plant['light'], 'gone'), 'a choice that is no longer listed shows its key');
        $this->assertNull($american->value($plant['light'], null));
    }

    public function test_terms_are_found_by_slug_and_path_and_know_what_is_below(): void
    {
        $terms = Garden::groups()->terms;
        $this->assertSame(['perennials', 'ferns', 'hostas', 'tree-ferns'], self::sorted($terms->withBelow('perennials')));
        $this->assertSame(['tree-ferns'], $terms->withBelow('tree-ferns'));
        $this->assertSame([], $terms->withBelow('cacti'));
        $this->assertSame('tree-ferns', $terms->byPath(['perennials', 'FERNS', 'Tree férns'])?->slug);
        $this->assertSame('hostas', $terms->byPath(['Hostas'])?->slug, 'a name that stands once may stand alone');
        $this->assertNull($terms->byPath(['Shrubs', 'Ferns']));
        $this->assertNull($terms->byPath(['']));
        $this->assertSame([['perennials', 0], ['ferns', 1], ['tree-ferns', 2], ['hostas', 1], ['shrubs', 0]], array_map(fn (array $row): array => [$row['term']->slug, $row['depth']], $terms->asTree()));
    }

    /**
     * @param  list<string>  $slugs
     * @return list<string>
     */
    private static function sorted(array $slugs): array
    {
        usort($slugs, fn (string $a, string $b): int => [$a !== 'perennials', $a] <=> [$b !== 'perennials', $b]);

        return $slugs;
    }
}
