<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Content\Change\Conversion;
use Wellspring\Core\Content\Change\ConversionOutcome;
use Wellspring\Core\Content\Change\Differences;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Kinds;
use Wellspring\Core\Content\Limit\Limits;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Content\Status;
use Wellspring\Core\Explain\Trace;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Who\Audience;

/** States of an item beside each other, values in new forms, and why a record is not shown. */
final class ContentTest extends TestCase
{
    /** Whatever two people make of an item, what only one changed is kept from both, and where both did it is told. */
    public function test_two_states_are_brought_together_without_losing_what_only_one_changed(): void
    {
        $draw = new RandomModules($seed = random_int(1, 1_000_000));
        $type = Garden::plant();
        for ($n = 0; $n < 150; $n++) {
            [$base, $mine, $theirs] = [$draw->plant(1), $draw->plant(2), $draw->plant(3)];
            foreach (array_keys($base) as $i => $key) {
                // A third changed by me, a third by them, a third by both.
                if ($i % 3 === 0) {
                    $theirs[$key] = $base[$key];
                } elseif ($i % 3 === 1) {
                    $mine[$key] = $base[$key];
                }
            }
            ['merged' => $merged, 'conflicts' => $conflicts] = Differences::merge($base, $mine, $theirs);
            $differ = fn (array $one, array $other): array => array_map(
                fn ($one): string => $one->field,
                Differences::between($type, $one, $other),
            );
            [$changed, $fromTheirs, $fromMine] = [
                $differ($base, $theirs),
                $differ($theirs, $merged),
                $differ($mine, $merged),
            ];
            foreach (array_keys($base) as $i => $key) {
                if (! in_array($key, $conflicts, true)) {
                    $this->assertNotContains(
                        $key,
                        in_array($key, $changed, true) ? $fromTheirs : $fromMine,
                        "seed {$seed}, {$key}",
                    );
                } else {
                    $this->assertSame(2, $i % 3, "seed {$seed}: only what both changed is in conflict");
                    $this->assertSame($mine[$key], $merged[$key], 'and mine stands until it is decided');
                }
            }
            $this->assertSame([], Differences::merge($base, $mine, $base)['conflicts']);
            $this->assertTrue(Differences::same($theirs, Differences::merge($base, $base, $theirs)['merged']));
        }
    }

    public function test_differences_are_told_in_words(): void
    {
        $said = Differences::between(
            Garden::plant(),
            ['title' => 'Fern', 'price' => 4, 'text' => '<p>Old</p>', 'status' => 'draft', 'gone' => ['x' => 1]],
            [
                'title' => 'Fern',
                'price' => 4.0,
                'text' => '<p>N<b>ew</b></p>',
                'status' => 'published',
                'light' => 'sun',
                'uses' => ['pot', 'cut'],
                'open' => ['mon' => [['09:00', '12:00']]],
                'spot' => ['address' => 'Gate'],
            ],
        );
        $this->assertSame([
            ['Text', 'Old', 'New'],
            ['State', 'Draft', 'Published'],
            ['Light', '', 'Full sun'],
            ['Uses', '', 'Pot, Cut'],
            ['Spot', '', 'Gate'],
            ['Open', '', 'Mo 09:00-12:00'],
            ['gone', '{"x":1}', ''],
        ], array_map(fn ($one): array => [$one->label, $one->before, $one->after], $said), '4 and 4.0 are one price');
        $this->assertFalse(Differences::same(['a' => '007'], ['a' => '7']));
        $this->assertFalse(Differences::same(['a' => '7'], ['a' => 7]));
        $this->assertTrue(
            Differences::same(['a' => ['x' => 1, 'y' => 2], 'b' => null], ['a' => ['y' => 2, 'x' => 1.0]]),
        );
    }

    public function test_values_take_a_new_form_or_are_told_to_be_lost(): void
    {
        $field = fn (string $kind, array $choices = [], Limits $limits = new Limits): Field => new Field(
            'it',
            'It',
            Kinds::all()[$kind],
            choices: $choices,
            limits: $limits,
        );
        $light = ['sun' => 'Full sun', 'shade' => 'Shade'];
        foreach ([
            [$field('text'), $field('number'), '12', ConversionOutcome::Converted, 12],
            [$field('text'), $field('number'), 'twelve', ConversionOutcome::Lost, null],
            [$field('number'), $field('text'), 4.5, ConversionOutcome::Converted, '4.5'],
            [$field('text'), $field('choice', $light), 'full SUN', ConversionOutcome::Converted, 'sun'],
            [$field('choice', $light), $field('text'), 'sun', ConversionOutcome::Converted, 'Full sun'],
            [$field('choice', $light), $field('choices', $light), 'sun', ConversionOutcome::Converted, ['sun']],
            [$field('choice', $light), $field('choice', ['shade' => 'Shade']), 'sun', ConversionOutcome::Lost, null],
            [
                $field('choices', $light),
                $field('choices', ['shade' => 'Shade']),
                ['sun', 'shade'],
                ConversionOutcome::Converted,
                ['shade'],
            ],
            [$field('longText'), $field('text'), '<p>One <b>two</b></p>', ConversionOutcome::Converted, 'One two'],
            [$field('text'), $field('longText'), 'a < b', ConversionOutcome::Converted, '<p>a &lt; b</p>'],
            [$field('picture'), $field('pictures'), 'a.webp', ConversionOutcome::Converted, ['a.webp']],
            [$field('pictures'), $field('picture'), ['a.webp'], ConversionOutcome::Converted, 'a.webp'],
            [$field('date'), $field('instant'), '2026-05-01', ConversionOutcome::Converted, '2026-05-01T00:00:00Z'],
            [$field('text'), $field('place'), 'Mill Lane', ConversionOutcome::Converted, ['address' => 'Mill Lane']],
            [$field('number'), $field('number', limits: new Limits(maximum: 3)), 4, ConversionOutcome::Unfit, 4],
            [
                $field('pictures'),
                $field('pictures', limits: new Limits(maxItems: 1)),
                ['a.webp', 'b.webp'],
                ConversionOutcome::Unfit,
                ['a.webp', 'b.webp'],
            ],
            [$field('text'), $field('text'), 'same', ConversionOutcome::Same, 'same'],
        ] as $n => [$from, $to, $value, $outcome, $becomes]) {
            $found = Conversion::of($from, $to, $value);
            $this->assertSame([$outcome, $becomes], [$found->outcome, $found->value], "case {$n}");
        }
    }

    public function test_limits_are_held_and_said(): void
    {
        $told = function (array $limits, string $kind, mixed $value): string {
            $field = new Field('it', 'It', Kinds::all()[$kind], limits: new Limits(...$limits));
            try {
                $field->kind->read($value, $field);

                return '';
            } catch (\Wellspring\Core\Content\WrongValue $wrong) {
                return $wrong->getMessage();
            }
        };
        $this->assertSame('expected at least 3 characters, found 2.', $told(['minLength' => 3], 'text', 'äö'));
        $this->assertSame(
            'expected text that fits the pattern ^[A-Z]{2}-\d{3}$, found “sp-14”.',
            $told(['pattern' => '^[A-Z]{2}-\d{3}$'], 'text', 'sp-14'),
        );
        $this->assertSame('', $told(['pattern' => '^[A-Z]{2}-\d{3}$'], 'text', 'SP-014'));
        $this->assertNotSame(
            '',
            $told(['pattern' => '^(a+)+$'], 'text', str_repeat('a', 40).'!'),
            'a pattern that runs away keeps nothing',
        );
        $this->assertSame('expected a whole number, found 4.5.', $told(['decimals' => 0], 'number', 4.5));
        $this->assertSame('', $told(['decimals' => 2], 'money', 1234567.89));
        $this->assertSame(
            'expected a day from 2026-05-01 on, found “2026-04-30”.',
            $told(['earliest' => '2026-05-01'], 'date', '2026-04-30'),
        );
        $this->assertSame('', $told(['latest' => '2026-05-01'], 'instant', '2026-05-01T23:59:59Z'));
        $this->assertSame(
            'expected at most 4 characters, found 5.',
            $told(['maxLength' => 4], 'longText', '<p><b>12345</b></p>'),
        );
    }

    public function test_a_type_file_with_wrong_limits_tells_each_place(): void
    {
        $of = fn (array $field): array => [
            '$schema' => TypeFile::DRAFT,
            'title' => 'T',
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => 't'],
            'properties' => ['it' => $field],
        ];
        foreach ([
            'properties.it.maximum: expected a number that is not below the minimum' => [
                'minimum' => 5,
                'maximum' => 4,
                'x-wellspring' => ['kind' => 'number'],
            ],
            'properties.it.pattern: expected a regular expression' => [
                'pattern' => '([a-z',
                'x-wellspring' => ['kind' => 'text'],
            ],
            'properties.it.default: expected a value that the field takes' => [
                'default' => 'moon',
                'enum' => ['sun'],
                'x-wellspring' => ['kind' => 'choice'],
            ],
            'properties.it.minimum: is not a known key' => ['minimum' => 5, 'x-wellspring' => ['kind' => 'text']],
            'properties.it.x-wellspring.types: is missing' => ['x-wellspring' => ['kind' => 'items']],
            'properties.it.x-wellspring.unit: is not a known key' => [
                'x-wellspring' => ['kind' => 'money', 'unit' => '€'],
            ],
            'properties.it.x-wellspring.colours.moon: is not one of the choices' => [
                'enum' => ['sun'],
                'x-wellspring' => ['kind' => 'choice', 'colours' => ['moon' => '#fff']],
            ],
            'properties.it.x-wellspring.earliest: expected a day' => [
                'x-wellspring' => ['kind' => 'date', 'earliest' => 'today'],
            ],
            'properties.it.enum[0]: expected a choice’s key' => [
                'enum' => ['a|b'],
                'x-wellspring' => ['kind' => 'choice'],
            ],
            'properties.it.type: expected' => ['type' => 'number', 'x-wellspring' => ['kind' => 'text']],
        ] as $said => $field) {
            try {
                TypeFile::read($of($field));
                $this->fail($said);
            } catch (Refused $refused) {
                $this->assertStringContainsString($said, $refused->getMessage());
            }
        }
        foreach ([
            'terms[0].name: is missing' => [['slug' => 'x']],
            'terms[1].slug' => [['name' => 'A'], ['name' => 'B', 'slug' => 'Not one']],
            'stands twice' => [['name' => 'A', 'below' => [['name' => 'a']]]],
            'terms[0].colour' => [['name' => 'A', 'colour' => 'red']],
            'terms[0].fields.latin: is not a known key' => [['name' => 'A', 'fields' => ['latin' => 'x']]],
        ] as $said => $terms) {
            try {
                TaxonomyFile::read(['format' => 1, 'key' => 't', 'label' => 'T', 'tree' => true, 'terms' => $terms]);
                $this->fail($said);
            } catch (Refused $refused) {
                $this->assertStringContainsString($said, $refused->getMessage());
            }
        }
    }

    public function test_a_new_item_begins_with_the_defaults_and_a_known_one_keeps_its_own(): void
    {
        $file = Garden::plantFile();
        $file['properties']['light']['default'] = 'shade';
        $file['properties']['hardy']['default'] = false;
        $reader = new ItemReader(TypeFile::read($file, ['groups' => Garden::groups()]));
        $this->assertEquals(['light' => 'shade', 'hardy' => false], $reader->fromCells(['title' => 'New'])->fields);
        $this->assertEquals(
            ['hardy' => false],
            $reader->fromCells(['title' => 'New', 'light' => ''])->fields,
            'an empty cell is an empty value',
        );
        $this->assertEquals([], $reader->fromCells(['title' => 'Known'], [])->fields);
    }

    public function test_why_a_record_is_not_shown_is_said_in_sentences(): void
    {
        $format = Garden::format();
        $why = fn (array $rules, Record $record): array => Trace::of(
            Garden::module($rules),
            $record,
            Garden::context(),
            $format,
            'Tool',
        )->reasons();
        $where = fn (array ...$rules): array => ['where' => ['all' => array_values($rules)]];
        $this->assertSame([], $why([], Garden::record(1)));
        $this->assertSame(['It is a draft.'], $why([], Garden::record(1, status: Status::Draft)));
        $this->assertSame(
            ['It is not published before 1 Jul 2026, 11:00.'],
            $why([], Garden::record(1, publishAt: '2026-07-01T10:00:00Z')),
        );
        $this->assertSame(
            ['It expired on 1 May 2026, 11:00.'],
            $why([], Garden::record(1, expireAt: '2026-05-01T10:00:00Z')),
        );
        $this->assertSame(['It is only for members.'], $why([], Garden::record(1, audience: Audience::members())));
        $this->assertSame(
            ["Height is 3\u{A0}cm, and the rule asks that it is more than 5 cm."],
            $why($where(['field' => 'height', 'test' => 'gt', 'value' => 5]), Garden::record(1, ['height' => 3])),
        );
        $this->assertSame(
            ['Light is Full sun, and the rule keeps Shade or Half shade.'],
            $why(
                $where(['field' => 'light', 'test' => 'anyOf', 'value' => ['shade', 'half-shade']]),
                Garden::record(1, ['light' => 'sun']),
            ),
        );
        $this->assertSame(
            ['The module takes Plants, and this is a Tool.'],
            $why(
                [],
                new Record(
                    1,
                    'tool',
                    'spade',
                    'Spade',
                    Status::Published,
                    '2026-01-01T00:00:00Z',
                    null,
                    Audience::everyone(),
                    [],
                ),
            ),
        );
        $this->assertSame(
            ['Sown is 1 May 2026, and the rule asks that it is in the next 3 days.'],
            $why(
                $where(['field' => 'sown', 'test' => 'inNext', 'value' => ['amount' => 3, 'unit' => 'days']]),
                Garden::record(1, ['sown' => '2026-05-01']),
            ),
        );
        $this->assertSame(
            ['The rule on Plant groups has no value to compare with on this page, and so keeps nothing.'],
            $why(
                $where(['field' => 'groups', 'test' => 'anyOf', 'value' => ['from' => 'page', 'take' => 'term']]),
                Garden::record(1),
            ),
        );
        $this->assertSame(
            ['Plant groups is Hostas, and the rule keeps Ferns or below.'],
            $why(
                $where(['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns'], 'below' => true]),
                Garden::record(1, ['groups' => ['hostas']]),
            ),
        );
        $this->assertSame(
            [
                'None of these holds, and one must: Hardy is empty, and the rule asks that it is yes; Light is empty, '
                    .'and the rule asks that it is filled.',
            ],
            $why(
                $where(['any' => [['field' => 'hardy', 'test' => 'yes'], ['field' => 'light', 'test' => 'filled']]]),
                Garden::record(1),
            ),
        );
        $this->assertSame(
            [],
            $why($where(['field' => 'height', 'test' => 'filled']) + ['pin' => ['plant-1']], Garden::record(1)),
            'a pinned one need not pass the conditions',
        );
        $this->assertCount(
            2,
            $why($where(['field' => 'height', 'test' => 'filled']) + ['leaveOut' => ['plant-1']], Garden::record(1)),
        );
    }
}
