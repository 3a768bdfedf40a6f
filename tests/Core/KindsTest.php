<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limit\Limit;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\WrongValue;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Format;

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
        if ($value !== null) {
            $this->assertSame(
                $value,
                $read->kind->readCell($read->kind->writeCell($value, $read), $read),
                'and written and read again',
            );
        }
    }

    /** @return list<array{string, string, mixed}> instants and dates as ISO 8601 writes them */
    public static function cells(): array
    {
        return [
            ['height', ' 12 ', 12],
            ['height', '-0.50', -0.5],
            ['height', '.5', 0.5],
            ['height', '5.', 5],
            ['height', '+3', 3],
            ['height', '007', 7],
            ['height', '1e3', 1000],
            ['height', '1E-2', 0.01],
            ['height', '', null],
            ['height', '9007199254740993', 9007199254740993], ['height', '0', 0],
            ['hardy', 'YES', true],
            ['hardy', 'false', false],
            ['hardy', '1', true],
            ['hardy', ' no ', false],
            ['hardy', '', null],
            ['light', ' shade ', 'shade'], ['light', '', null],
            ['uses', 'cut | pot | cut', ['pot', 'cut']], ['uses', ' | ', null],
            ['sown', '2024-02-29', '2024-02-29'], ['sown', '', null],
            ['watered', '2026-05-01', '2026-05-01T00:00:00Z'],
            ['watered', '2026-05-01 18:30', '2026-05-01T18:30:00Z'],
            ['watered', '2026-05-01T18:30:05.999Z', '2026-05-01T18:30:05Z'],
            ['watered', '2026-05-01T00:30:00+01:00', '2026-04-30T23:30:00Z'],
            ['watered', '2026-05-01T00:30-0330', '2026-05-01T04:00:00Z'],
            ['nickname', "  two\nlines ", 'two lines'],
            ['nickname', "\u{A0}", null],
            ['nickname', '=1+1', '=1+1'],
            ['nickname', '007', '007'],
            ['story', '<p>&nbsp;</p>', null],
            ['story', ' <p>x</p> ', '<p>x</p>'],
            ['story', '<img src="a">', '<img src="a">'],
            ['picture', 'a-fern.webp', 'a-fern.webp'], ['picture', '', null],
            ['shots', 'a.webp | b-2.webp | a.webp', ['a.webp', 'b-2.webp']],
            ['leaflet', 'price-list.pdf', 'price-list.pdf'],
            ['film', 'https://example.org/v?id=1', 'https://example.org/v?id=1'],
            ['film', 'film.mp4', 'film.mp4'],
            ['source', ' https://example.org/a?b=c#d ', 'https://example.org/a?b=c#d'],
            ['source', '/shop', '/shop'],
            ['source', 'mailto:fern@example.org', 'mailto:fern@example.org'],
            ['source', 'tel:+44-1234-5', 'tel:+44-1234-5'],
            ['bloom', '#1F6470', '#1f6470'],
            ['bloom', '#Fa0', '#ffaa00'],
            ['keeper', ' M@Example.org ', 'm@example.org'],
            ['friends', 'lady-fern | plant/hosta', ['plant/lady-fern', 'plant/hosta']], ['friends', '', null],
            ['spot', 'Mill Lane 3,  Quillmoor', ['address' => 'Mill Lane 3, Quillmoor']],
            ['spot', 'Gate @ 50.6105, -3.5219', ['address' => 'Gate', 'latitude' => 50.6105, 'longitude' => -3.5219]],
            ['spot', '@ 0, -180', ['latitude' => 0, 'longitude' => -180]],
            ['spot', 'Bed @ 5, 7 @', ['address' => 'Bed @ 5, 7']],
            // The form of schema.org's openingHours (its examples from memory).
            [
                'open',
                'Mo-We 09:00-12:00',
                ['mon' => [['09:00', '12:00']], 'tue' => [['09:00', '12:00']], 'wed' => [['09:00', '12:00']]],
            ],
            [
                'open',
                'Sa,Mo 14:00-18:00, 09:00-12:00; Su 00:00-24:00',
                [
                    'mon' => [['09:00', '12:00'], ['14:00', '18:00']],
                    'sat' => [['09:00', '12:00'], ['14:00', '18:00']],
                    'sun' => [['00:00', '24:00']],
                ],
            ],
            ['open', 'Su-Mo 10:00-11:00', ['mon' => [['10:00', '11:00']], 'sun' => [['10:00', '11:00']]]],
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
            ['height', '1,5'],
            ['height', '12 cm'],
            ['height', '0x1A'],
            ['height', 'NaN'],
            ['height', '1e400'],
            ['height', '--1'],
            ['height', '١٢'],
            ['height', '.'],
            ['hardy', 'y'], ['hardy', '2'], ['light', 'Shade'], ['uses', 'pot | roof'], ['uses', 'pot,cut'],
            ['sown', '2023-02-29'], ['sown', '2024-2-9'], ['sown', '01/05/2026'], ['sown', "2024-02-09\n1"],
            ['watered', 'tomorrow'],
            ['watered', '2026-13-01'],
            ['watered', '2026-02-30T10:00Z'],
            ['watered', '2026-05-01T25:00Z'],
            ['watered', '1777659000'],
            ['watered', '9999-12-31T23:59:59-12:00'],
            ['watered', '0000-01-01'],
            ['watered', '0001-01-01T00:00+02:00'],
            ['nickname', "bell\x07"],
            ['nickname', "\xFF"],
            ['story', "nul\0"],
            ['picture', '../../etc/passwd'],
            ['picture', 'Fern.webp'],
            ['picture', 'fern'],
            ['shots', 'a.webp | b.webp | c.webp | d.webp | e.webp'],
            ['leaflet', '../passwd.txt'],
            ['film', 'javascript:alert(1)'],
            ['film', 'https://'],
            ['source', 'javascript:alert(1)'],
            ['source', 'data:text/html,x'],
            ['source', '//example.org'],
            ['source', 'http://'],
            ['source', 'https://exa mple.org'],
            ['source', 'https://example.org/"><script>'],
            ['source', 'vbscript:x'],
            ['source', 'ftp://example.org'],
            ['bloom', 'red'],
            ['bloom', '#12345'],
            ['bloom', 'url(x)'],
            ['keeper', 'somebody'],
            ['friends', 'a | b | c | d'],
            ['friends', 'tractor/x'],
            ['friends', 'Not a slug'],
            ['spot', 'Gate @ 91, 0'], ['spot', 'Gate @ 0, 180.5'],
            ['open', 'Mo 9-17'],
            ['open', 'Someday 09:00-17:00'],
            ['open', 'Mo 17:00-09:00'],
            ['open', 'Mo 09:00-12:00, 11:00-13:00'],
            ['open', 'Mo 09:00-12:00, 12:00-13:00'],
            ['open', 'Mo 00:00-24:30'],
            ['open', 'always'],
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

    /** An event that ends before it starts is refused, and so is every other range that a type declares. */
    public function test_a_range_must_not_end_before_it_begins(): void
    {
        $file = fn (array $properties): array => [
            '$schema' => TypeFile::DRAFT, 'title' => 'Walk', 'type' => 'object',
            'x-wellspring' => [
                'format' => 1, 'key' => 'walk', 'plural' => 'Walks', 'address' => '/walks/{slug}', 'taxonomies' => [],
            ],
            'properties' => $properties,
        ];
        $pair = fn (string $kind): array => [
            "{$kind}_from" => ['title' => "{$kind} from", 'x-wellspring' => ['kind' => $kind]],
            "{$kind}_to" => [
                'title' => "{$kind} to", 'x-wellspring' => ['kind' => $kind, 'rangeFrom' => "{$kind}_from"],
            ],
        ];
        $type = TypeFile::read($file([...$pair('date'), ...$pair('instant'), ...$pair('number'), ...$pair('money')]));
        $this->assertSame('date_from', $type->fields['date_to']->limits->rangeFrom);
        $this->assertEquals($type, TypeFile::read(json_decode((string) json_encode(TypeFile::write($type)), true)));
        $reader = new ItemReader($type);
        $values = [
            'date' => ['2026-05-01', '2026-05-02'], 'instant' => ['2026-05-01T09:00:00Z', '2026-05-01T10:00:00Z'],
            'number' => [9, 10], 'money' => [4.5, 12],
        ];
        foreach ($values as $kind => [$less, $more]) {
            foreach ([[$less, $more], [$less, $less], [null, $less], [$more, null]] as [$from, $to]) {
                $this->assertSame($to, $reader->fromValues([
                    'title' => 'A walk', "{$kind}_from" => $from, "{$kind}_to" => $to,
                ])->values()["{$kind}_to"] ?? null);
            }
            try {
                $reader->fromValues(['title' => 'A walk', "{$kind}_to" => $less], ["{$kind}_from" => $more]);
                $this->fail("{$kind}: a range that ends before it begins");
            } catch (Refused $refused) {
                $this->assertSame(["{$kind}_to"], array_column($refused->problems, 'path'));
                $this->assertStringContainsString(
                    "{$kind} to comes before {$kind} from.",
                    (string) $refused->problems[0],
                );
            }
        }
        foreach (['nothing', 'date_to', 'number_from'] as $from) {
            try {
                $properties = $pair('date') + $pair('number');
                $properties['date_to']['x-wellspring']['rangeFrom'] = $from;
                TypeFile::read($file($properties));
                $this->fail("a range from {$from}");
            } catch (Refused $refused) {
                $this->assertSame(
                    ['properties.date_to.x-wellspring.rangeFrom'],
                    array_column($refused->problems, 'path'),
                );
            }
        }
    }

    public function test_a_number_in_a_cell_is_the_number_in_json(): void
    {
        $field = Garden::plant()->fields['height'];
        $this->forAll(
            Generators::oneOf(Generators::int(), Generators::float()),
        )->then(function (int|float $number) use ($field): void {
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
            $isValue = ! in_array($family, [Family::Identity, Family::Words], true);
            $this->assertSame($isValue, in_array('empty', $keys, true), $family->value);
            $this->assertSame($isValue, in_array('filled', $keys, true), $family->value);
        }
        $this->assertNull(Tests::find('contains', Family::Number));
        $this->assertNotSame(Tests::find('anyOf', Family::Terms), Tests::find('anyOf', Family::Choice));
    }

    /** The expected words are CLDR's, as ext-intl carries it. */
    public function test_values_are_written_as_each_site_writes_them(): void
    {
        $plant = Garden::plant()->fields;
        $german = new Format('de-DE', 'EUR', 'Europe/Berlin');
        $this->assertSame("1.234,50\u{A0}€", $plant['price']->display(1234.5, $german));
        $this->assertSame("0,125\u{A0}cm", $plant['height']->display(0.125, $german));
        $this->assertSame('1. Mai 2026', $plant['sown']->display('2026-05-01', $german));
        $american = new Format('en-US', 'USD', 'America/St_Johns');
        $this->assertSame('-$0.99', $plant['price']->display(-0.99, $american));
        $this->assertSame(
            'Apr 30, 2026, 23:30',
            $plant['watered']->display('2026-05-01T02:00:00Z', $american),
            'the day is that of the site’s time zone',
        );
        $this->assertSame(
            'May 1, 2026',
            $plant['sown']->display('2026-05-01', $american),
            'a plain day is that day everywhere',
        );
        $this->assertSame('Half shade', $plant['light']->display('half-shade', $american));
        $this->assertSame('Pot, Cut', $plant['uses']->display(['pot', 'cut'], $american));
        $this->assertSame(
            'gone',
            $plant['light']->display('gone', $american),
            'a choice that is no longer listed shows its key',
        );
        $this->assertNull($plant['light']->display(null, $american));
    }

    public function test_terms_are_found_by_slug_and_path_and_know_what_is_below(): void
    {
        $terms = Garden::groups()->terms;
        $this->assertSame(
            ['perennials', 'ferns', 'hostas', 'tree-ferns'],
            self::sorted($terms->withBelow('perennials')),
        );
        $this->assertSame(['tree-ferns'], $terms->withBelow('tree-ferns'));
        $this->assertSame([], $terms->withBelow('cacti'));
        $this->assertSame('tree-ferns', $terms->byPath(['perennials', 'FERNS', 'Tree férns'])?->slug);
        $this->assertSame('hostas', $terms->byPath(['Hostas'])?->slug, 'a name that stands once may stand alone');
        $this->assertNull($terms->byPath(['Shrubs', 'Ferns']));
        $this->assertNull($terms->byPath(['']));
        $this->assertSame(
            [['perennials', 0], ['ferns', 1], ['tree-ferns', 2], ['hostas', 1], ['shrubs', 0]],
            array_map(fn (array $row): array => [$row['term']->slug, $row['depth']], $terms->asTree()),
        );
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

    /** Types of every kind with limits drawn at random: read, written and read again, nothing is lost. */
    public function test_drawn_type_files_go_out_and_come_in_unchanged(): void
    {
        $random = new \Random\Randomizer(new \Random\Engine\Mt19937($seed = random_int(1, 1_000_000)));
        $some = fn (array $words): array => array_filter($words, fn (): bool => $random->getInt(0, 1) === 1);
        $texts = ['Größe', 'שלום', '"quoted"', '=1+1', '🌿', '007', "it's {slug}"];
        $text = fn (): string => $texts[$random->getInt(0, count($texts) - 1)];
        for ($n = 0; $n < 200; $n++) {
            $properties = $required = [];
            foreach (Kinds::all() as $key => $kind) {
                $says = fn (Limit ...$limits): bool => array_diff(
                    array_map(fn (Limit $limit): string => $limit->value, $limits),
                    array_map(fn (Limit $limit): string => $limit->value, $kind->limits()),
                ) === [];
                $low = $random->getInt(1, 9);
                $choices = ['1', 'a b', 'ä-ö', $text()];
                $field = ['title' => $text()] + $some(['description' => $text()])
                    + ($says(Limit::Minimum) ? $some(['minimum' => -$low / 2, 'maximum' => $low + 0.25]) : [])
                    + (
                        $says(Limit::MinLength)
                            ? $some([
                                'minLength' => $low,
                                'maxLength' => $low + 50,
                                'pattern' => '^[a-z"\\\\/]{0,9}\\d*$',
                            ])
                            : []
                    )
                    + ($says(Limit::MaxItems) ? $some(['maxItems' => $low]) : []);
                $own = ['kind' => $key] + $some(['section' => $text()])
                    + ($says(Limit::Unit) ? $some(['unit' => 'm²']) : [])
                    + ($says(Limit::Decimals) ? $some(['decimals' => $low]) : [])
                    + ($says(Limit::Earliest) ? $some(['earliest' => '2020-02-29', 'latest' => '2030-01-01']) : [])
                    + ($says(Limit::Types) ? ['types' => ['plant', 'thing']] : []);
                if ($says(Limit::Choices)) {
                    $field += $key === 'choice'
                        ? ['enum' => array_values(array_unique($choices))]
                        : ['items' => ['enum' => array_values(array_unique($choices))]];
                    $own += ['labels' => ['1' => $text()]] + $some([
                        'colours' => ['1' => '#a1b2c3', 'a b' => '#000000'],
                    ]);
                    $field += $some(['default' => $key === 'choice' ? '1' : ['a b']]);
                }
                $properties["f_{$key}"] = $field + ['x-wellspring' => $own];
                if ($random->getInt(0, 3) === 0) {
                    $required[] = 'f_'.strtolower($key);
                }
            }
            $properties = array_combine(array_map(strtolower(...), array_keys($properties)), $properties);
            $file = [
                '$schema' => TypeFile::DRAFT,
                'title' => 'Thing',
                'type' => 'object',
                'x-wellspring' => ['format' => 1, 'key' => 'thing', 'taxonomies' => []],
                'properties' => $properties,
                'required' => $required,
            ];
            $type = TypeFile::read($file);
            $written = json_decode((string) json_encode(TypeFile::write($type)), true);
            $this->assertEquals($type, TypeFile::read($written), "seed {$seed}");
            $this->assertSame(
                json_encode($written),
                json_encode(TypeFile::write(TypeFile::read($written))),
                "seed {$seed}",
            );
        }
    }

    /** Days and times as CLDR has them, through ext-intl. */
    public function test_visitors_read_opening_hours_in_their_language(): void
    {
        $field = Garden::plant()->fields['open'];
        $week = [
            'mon' => [['09:00', '17:00']], 'tue' => [['09:00', '17:00']],
            'thu' => [['10:00', '12:30'], ['13:30', '17:00']], 'sun' => [['00:00', '24:00']],
        ];
        $said = fn (string $locale): string => str_replace("\u{202F}", ' ', (string) $field->kind->display(
            $week,
            $field,
            new Format($locale, 'EUR', 'UTC'),
            [],
        ));
        $this->assertSame('Mon–Tue 09:00–17:00; Thu 10:00–12:30, 13:30–17:00; Sun 00:00–00:00', $said('en-GB'));
        $this->assertSame('Mo–Di 09:00–17:00; Do 10:00–12:30, 13:30–17:00; So 00:00–00:00', $said('de'));
        $this->assertStringStartsWith('Mon–Tue 9:00 AM–5:00 PM', $said('en-US'));
    }
}
