<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Wellspring\Core\Card\PartKinds;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Filter\Tests;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Wording\Sentence;

final class DefinitionTest extends TestCase
{
    private const FULL = [
        'where' => ['all' => [
            ['field' => 'groups', 'test' => 'anyOf', 'value' => ['perennials'], 'below' => true],
            ['field' => 'light', 'test' => 'anyOf', 'value' => ['shade', 'half-shade']],
            [
                'any' => [
                    ['field' => 'height', 'test' => 'between', 'value' => [10, 90.5]],
                    ['field' => 'hardy', 'test' => 'yes', 'off' => true],
                ],
            ],
            ['field' => 'title', 'test' => 'contains', 'value' => 'fern'],
        ]],
        'leaveOut' => ['stinging-nettle'],
        'pin' => ['lady-fern', 'royal-fern'],
        'order' => [['by' => 'price', 'direction' => 'down', 'empty' => 'first'], ['by' => 'title']],
        'skip' => 2,
        'atMost' => 40,
        'page' => ['mode' => 'numbered', 'size' => 8],
        'arrange' => ['as' => 'grid', 'columns' => ['phone' => 1, 'tablet' => 2, 'laptop' => 4, 'desktop' => 4]],
        'card' => ['lines' => [
            ['parts' => [['part' => 'picture', 'empty' => ['do' => 'leaveOutLine']]]],
            ['parts' => [['part' => 'title', 'level' => 2]]],
            [
                'parts' => [
                    ['part' => 'price', 'empty' => ['do' => 'say', 'text' => 'Ask at the gate']],
                    ['part' => 'field', 'field' => 'height', 'label' => 'Grows to'],
                ],
            ],
            ['parts' => [['part' => 'excerpt', 'words' => 12]]],
        ]],
        'whenNothing' => ['do' => 'say', 'text' => 'Resting.'],
    ];

    public function test_reading_what_was_written_gives_the_same_definition(): void
    {
        $module = Garden::module(self::FULL);
        $again = (new ModuleReader(Garden::catalogue()))->read($module->toArray());
        $this->assertEquals($module->toArray(), $again->toArray());
        $this->assertSame(['by' => 'title', 'direction' => 'up', 'empty' => 'last'], $module->toArray()['order'][1]);
        foreach (array_diff_key(self::FULL, ['order' => 0]) as $key => $value) {
            $this->assertEquals($value, $module->toArray()[$key], $key);
        }
    }

    public function test_only_format_key_name_and_source_are_needed(): void
    {
        $written = Garden::module()->toArray();
        $this->assertSame([['by' => 'publish_at', 'direction' => 'down', 'empty' => 'last']], $written['order']);
        $this->assertSame(['mode' => 'numbered', 'size' => 10], $written['page']);
        $this->assertArrayNotHasKey('where', $written);
    }

    /**
     * @param  array<string, mixed>  $wrong
     * @param  list<string>  $paths
     */
    #[DataProvider('wrongs')]
    public function test_what_is_wrong_is_refused_with_its_place(array $wrong, array $paths): void
    {
        try {
            (new ModuleReader(Garden::catalogue()))->read(
                $wrong + ['format' => 1, 'key' => 'plants', 'name' => 'Plants', 'source' => ['items' => ['plant']]],
            );
            $this->fail('This definition is wrong.');
        } catch (Refused $refused) {
            $this->assertSame($paths, array_map(fn ($problem): string => $problem->path, $refused->problems));
            foreach ($refused->problems as $problem) {
                $this->assertMatchesRegularExpression('/expected|missing|needs|cannot|is not/', $problem->message);
            }
        }
    }

    /** @return array<string, array{array<string, mixed>, list<string>}> */
    public static function wrongs(): array
    {
        $where = fn (array $condition): array => ['where' => ['all' => [$condition]]];
        $card = fn (array $part): array => ['card' => ['lines' => [['parts' => [$part]]]]];

        return [
            'a later format' => [['format' => 2], ['format']],
            'a key with capitals' => [['key' => 'Plants'], ['key']],
            'an unknown key' => [['colour' => 'red'], ['colour']],
            'an unknown type' => [['source' => ['items' => ['tractor']]], ['source.items[0]']],
            'a source that is not an object' => [['source' => 'plant'], ['source']],
            'no source at all' => [['source' => []], ['source']],
            'two sources' => [['source' => ['items' => ['plant'], 'terms' => 'groups']], ['source']],
            'no type' => [['source' => ['items' => []]], ['source.items']],
            'a source with more than it knows' => [
                ['source' => ['items' => ['plant'], 'used' => true]],
                ['source.used'],
            ],
            'terms of nothing' => [['source' => ['terms' => 'rooms']], ['source.terms']],
            'below no term' => [['source' => ['terms' => 'groups', 'under' => 'cacti']], ['source.under']],
            'people of no group' => [
                ['source' => ['people' => ['groups' => ['gardeners', 'moles']]]],
                ['source.people.groups[1]'],
            ],
            'months by no date' => [['source' => ['months' => ['plant'], 'by' => 'height']], ['source.by']],
            'the page’s item of no type' => [['source' => ['page' => 'item', 'type' => 'tractor']], ['source.type']],
            'the page’s term of nothing' => [['source' => ['page' => 'term', 'of' => 'rooms']], ['source.of']],
            'the page’s weather' => [['source' => ['page' => 'weather']], ['source.page']],
            'one that can be no slug' => [['source' => ['one' => 'No Slug!', 'type' => 'plant']], ['source.one']],
            'one of no type' => [['source' => ['one' => 'fern', 'type' => 'tractor']], ['source.type']],
            'groups too deep in one another' => [
                ['where' => array_reduce(range(1, 9), fn (array $in): array => ['all' => [$in]], ['any' => []])],
                ['where'.str_repeat('.all[0]', 8)],
            ],
            'very many conditions' => [
                ['where' => ['all' => array_fill(0, 101, ['field' => 'price', 'test' => 'filled'])]],
                ['where.all'],
            ],
            'a value from the page that the test cannot take' => [
                $where(['field' => 'hardy', 'test' => 'yes', 'value' => ['from' => 'page', 'take' => 'item']]),
                ['where.all[0].value'],
            ],
            'a month for a number' => [
                $where(['field' => 'height', 'test' => 'gt', 'value' => ['from' => 'page', 'take' => 'month']]),
                ['where.all[0].value.take', 'where.all[0].value.of'],
            ],
            'the viewer for a number' => [
                $where(['field' => 'height', 'test' => 'gt', 'value' => ['from' => 'viewer']]),
                ['where.all[0].value.from'],
            ],
            'a term of another taxonomy' => [
                $where([
                    'field' => 'groups',
                    'test' => 'anyOf',
                    'value' => ['from' => 'page', 'take' => 'term', 'of' => 'soils'],
                ]),
                ['where.all[0].value.of'],
            ],
            'a field of the page’s item that is no number' => [
                $where([
                    'field' => 'height',
                    'test' => 'gt',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => 'light'],
                ]),
                ['where.all[0].value.of'],
            ],
            'whenMissing where nothing is taken' => [
                $where(['field' => 'height', 'test' => 'gt', 'value' => 1, 'whenMissing' => 'keepAll']),
                ['where.all[0].whenMissing'],
            ],
            'minutes of a day' => [
                $where(['field' => 'sown', 'test' => 'inNext', 'value' => ['amount' => 5, 'unit' => 'minutes']]),
                ['where.all[0].value'],
            ],
            'a day that is none' => [
                $where(['field' => 'sown', 'test' => 'on', 'value' => '2026-02-30']),
                ['where.all[0].value'],
            ],
            'this fortnight' => [
                $where(['field' => 'sown', 'test' => 'current', 'value' => 'fortnight']),
                ['where.all[0].value'],
            ],
            'related by nothing' => [
                $where(['field' => 'id', 'test' => 'related', 'value' => ['rooms']]),
                ['where.all[0].value'],
            ],
            'a search for no word' => [
                $where(['field' => 'words', 'test' => 'search', 'value' => '—']),
                ['where.all[0].value'],
            ],
            'a search in nothing' => [
                $where(['field' => 'words', 'test' => 'search', 'value' => 'x', 'in' => []]),
                ['where.all[0].in'],
            ],
            'a search in a number' => [
                $where(['field' => 'words', 'test' => 'search', 'value' => 'x', 'in' => ['title' => 0, 'height' => 1]]),
                ['where.all[0].in.title', 'where.all[0].in'],
            ],
            'a place to look for what is no search' => [
                $where(['field' => 'title', 'test' => 'contains', 'value' => 'x', 'in' => ['title' => 1]]),
                ['where.all[0].in'],
            ],
            'a field through what names nothing' => [
                $where(['field' => 'light.title', 'test' => 'filled']),
                ['where.all[0].field'],
            ],
            'popularity over no days' => [['order' => [['by' => 'popularity', 'days' => 0]]], ['order[0].days']],
            'an option of another order' => [
                ['order' => [['by' => 'price', 'confidence' => 5]]],
                ['order[0].confidence'],
            ],
            'by hand within no term' => [
                ['order' => [['by' => 'byHand', 'of' => 'groups', 'term' => 'cacti']]],
                ['order[0].term'],
            ],
            'very many keys' => [['order' => array_fill(0, 9, ['by' => 'title'])], ['order']],
            'headings by a price' => [['headings' => ['by' => 'price']], ['headings.by']],
            'headings by the decade' => [['headings' => ['by' => 'sown', 'per' => 'decade']], ['headings.per']],
            'loads of numbered pages' => [
                ['page' => ['mode' => 'numbered', 'size' => 5, 'loads' => 3]],
                ['page.loads'],
            ],
            'an unknown field' => [
                $where(['field' => 'colour', 'test' => 'is', 'value' => 'red']),
                ['where.all[0].field'],
            ],
            'a test that does not suit' => [
                $where(['field' => 'price', 'test' => 'contains', 'value' => '4']),
                ['where.all[0].test'],
            ],
            'a value of the wrong kind' => [
                $where(['field' => 'price', 'test' => 'gt', 'value' => '4']),
                ['where.all[0].value'],
            ],
            'no value' => [$where(['field' => 'price', 'test' => 'gt']), ['where.all[0].value']],
            'a value where none is wanted' => [
                $where(['field' => 'price', 'test' => 'filled', 'value' => 1]),
                ['where.all[0].value'],
            ],
            'between the wrong way round' => [
                $where(['field' => 'price', 'test' => 'between', 'value' => [9, 1]]),
                ['where.all[0].value'],
            ],
            'an unknown term' => [
                $where(['field' => 'groups', 'test' => 'anyOf', 'value' => ['cacti']]),
                ['where.all[0].value'],
            ],
            'no term at all' => [
                $where(['field' => 'groups', 'test' => 'anyOf', 'value' => []]),
                ['where.all[0].value'],
            ],
            'below for a choice' => [
                $where(['field' => 'light', 'test' => 'anyOf', 'value' => ['sun'], 'below' => true]),
                ['where.all[0].below'],
            ],
            'a group of two joins' => [['where' => ['all' => [], 'any' => []]], ['where']],
            'a group deep down' => [
                ['where' => ['none' => [['any' => [['field' => 'x', 'test' => 'is']]]]]],
                ['where.none[0].any[0].field'],
            ],
            'two at once' => [
                ['skip' => -1, 'page' => ['mode' => 'spiral', 'size' => 0]],
                ['skip', 'page.mode', 'page.size'],
            ],
            'an order by terms' => [['order' => [['by' => 'groups']]], ['order[0].by']],
            'text that cannot be kept' => [
                ['name' => "nul\0", 'pin' => ["a\0b", "\xFF"]],
                ['name', 'pin[0]', 'pin[1]'],
            ],
            'a slug pinned twice' => [['pin' => ['a', 'a']], ['pin[1]']],
            'too many columns' => [
                ['arrange' => ['as' => 'grid', 'columns' => ['phone' => 0, 'desktop' => 99]]],
                ['arrange.columns.phone', 'arrange.columns.desktop'],
            ],
            'columns of a list' => [['arrange' => ['as' => 'list', 'columns' => []]], ['arrange.columns']],
            'a card without lines' => [['card' => ['lines' => []]], ['card.lines']],
            'an unknown part' => [$card(['part' => 'hologram']), ['card.lines[0].parts[0].part']],
            'a field part without a field' => [$card(['part' => 'field']), ['card.lines[0].parts[0].field']],
            'say without a text' => [
                $card(['part' => 'price', 'empty' => ['do' => 'say']]),
                ['card.lines[0].parts[0].empty.text'],
            ],
            'a text that is not said' => [
                $card(['part' => 'price', 'empty' => ['do' => 'leaveOut', 'text' => 'x']]),
                ['card.lines[0].parts[0].empty.text'],
            ],
        ];
    }

    public function test_a_module_reads_as_sentences_whose_words_lead_to_their_places(): void
    {
        $module = Garden::module(self::FULL);
        $this->assertSame([
            'Take: Plants that are published',
            'Keep only: Plant groups is Perennials or below',
            'Keep only: Light is any of Shade, Half shade',
            'Keep only: any of these holds: Height is between 10 and 90.5 cm or (off) Hardy is yes',
            'Keep only: Title contains “fern”',
            'Visitors choose: nothing',
            'By hand: 2 pinned to the top, 1 left out',
            'Order by: Price, highest first, empty ones first, then Title A–Z',
            'Show: 8 at a time with numbered pages, skipping the first 2, at most 40 in all',
            'Lay out as: Grid, 4 across · 2 on tablet · 1 on phone',
            'On each card: picture · title · price · height · excerpt',
            'When empty: picture drops its line; price says “Ask at the gate”; other parts are left out',
            'In the look of: the site',
            'When nothing is left: say “Resting.”',
        ], array_map(fn (Sentence $sentence): string => "{$sentence->lead}: "
            ."{$sentence->text()}", Sentences::of($module, Garden::format())));

        $written = $module->toArray();
        foreach (Sentences::of($module, Garden::format()) as $sentence) {
            foreach ($sentence->pieces as $piece) {
                if ($piece->at !== null && ! in_array($piece->at, ['empty', 'look', 'offer'], true)) {
                    $here = $written;
                    foreach (preg_split('/[.\[\]]+/', $piece->at, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $step) {
                        $this->assertArrayHasKey($step, $here, $piece->at);
                        $here = is_array($here[$step]) ? $here[$step] : [];
                    }
                }
            }
        }
    }

    /** A menu lists each part once; two that show one field in two ways say how they differ. */
    public function test_a_menu_of_parts_has_one_entry_a_part(): void
    {
        foreach (Garden::catalogue()->types as $type) {
            $labels = array_column(PartKinds::offers($type), 'label');
            $this->assertSame(array_values(array_unique($labels)), $labels, $type->plural);
            foreach ($type->taxonomies as $taxonomy) {
                $this->assertContains($taxonomy->label, $labels);
            }
        }
        $labels = array_column(PartKinds::offers(Garden::catalogue()->type('plant') ?? self::fail()), 'label');
        foreach (['Price', 'Price, without sale prices', 'Author', 'Height', 'Story, in full'] as $label) {
            $this->assertContains($label, $labels);
        }
    }

    /** What managers ask most often of such a field (common practice, no source). */
    public function test_a_new_condition_begins_with_the_test_that_is_usual_for_its_field(): void
    {
        $fields = (Garden::catalogue()->type('plant') ?? self::fail())->reachable;
        foreach ([
            'price' => 'gte', 'nickname' => 'contains', 'story' => 'contains', 'light' => 'anyOf', 'groups' => 'anyOf',
            'author' => 'anyOf', 'picture' => 'filled',
        ] as $key => $test) {
            $usual = Tests::usual($fields[$key], ['groups']);
            $this->assertSame([$test, $test === 'filled'], [$usual['test'], $usual['isComplete']], $key);
        }
        foreach ([
            'lead' => ['yes', null], 'publish_at' => ['inLast', ['amount' => 30, 'unit' => 'days']],
            'id' => ['related', ['groups']], 'sown' => ['toCome', null],
        ] as $key => [$test, $value]) {
            $usual = Tests::usual($fields[$key], ['groups']);
            $this->assertSame(['test' => $test, 'value' => $value, 'isComplete' => true], $usual, $key);
            // Such a condition is whole: a definition may hold it as it is.
            Garden::module(['where' => ['all' => [
                ['field' => $key, 'test' => $test] + ($value === null ? [] : ['value' => $value]),
            ]]]);
        }
        $this->assertSame('notThisOne', Tests::usual($fields['id'], [])['test']);
    }

    public function test_a_type_file_is_read_and_written_without_loss(): void
    {
        $written = TypeFile::write(Garden::plant());
        $again = TypeFile::read($written, ['groups' => Garden::groups()]);
        $this->assertEquals(Garden::plant(), $again);
        $this->assertSame(
            array_keys((array) Garden::plantFile()['properties']),
            array_keys((array) $written['properties']),
            'the order of fields stays',
        );
        $this->assertNotNull((new Catalogue(['plant' => $again]))->type('plant')?->field('groups'));
    }

    public function test_keys_that_mean_something_of_their_own_are_refused(): void
    {
        $type = fn (string $field, string $taxonomy = 'groups'): array => [
            '$schema' => TypeFile::DRAFT,
            'title' => 'T',
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => 't', 'taxonomies' => [$taxonomy]],
            'properties' => [$field => ['x-wellspring' => ['kind' => 'text']]],
        ];
        $told = function (\Closure $read): string {
            try {
                $read();
            } catch (Refused $refused) {
                return implode(
                    ' ',
                    array_map(fn ($problem): string => "{$problem->path} {$problem->code->value}", $refused->problems),
                );
            }

            return '';
        };
        foreach ([
            'words', 'title', 'id', 'views', 'author', 'popularity', 'relevance', 'shuffle', 'groups', 'status',
        ] as $key) {
            $this->assertSame("properties.{$key} takenKey", $told(fn () => TypeFile::read($type($key))), $key);
        }
        foreach (['title', 'words', 'text', 'shuffle', 'publish_at'] as $key) {
            $this->assertSame(
                'x-wellspring.taxonomies[0] reservedKey',
                $told(fn () => TypeFile::read($type('fine', $key))),
                $key,
            );
            $this->assertSame(
                'key reservedKey',
                $told(fn () => TaxonomyFile::read(['format' => 1, 'key' => $key, 'label' => 'L'])),
                $key,
            );
        }
        foreach (['count', 'place', 'name', 'title', 'picture', 'relevance'] as $key) {
            $this->assertSame(
                "properties.{$key} takenKey",
                $told(
                    fn () => TaxonomyFile::read(
                        [
                            'format' => 1,
                            'key' => 'soils',
                            'label' => 'L',
                        ] + array_intersect_key($type($key), ['properties' => 0]),
                    ),
                ),
                $key,
            );
        }
        $this->assertSame(
            '',
            $told(fn () => TypeFile::read($type('words'), stored: true)),
            'a site that has such a field from before can still be read',
        );
    }

    public function test_a_wrong_type_file_is_refused_with_its_places(): void
    {
        $file = Garden::plantFile();
        $file['surprise'] = 1;
        $file['x-wellspring'] = ['key' => 'Plant', 'address' => '/plants'] + $file['x-wellspring'];
        $file['required'] = ['weight'];
        $file['properties'] = [
            'title' => ['type' => 'string', 'x-wellspring' => ['kind' => 'text']],
            'price' => ['type' => 'string', 'x-wellspring' => ['kind' => 'money']],
            'light' => ['enum' => [], 'x-wellspring' => ['kind' => 'choice']],
            'glow' => ['x-wellspring' => ['kind' => 'hologram']],
        ];
        try {
            TypeFile::read($file);
            $this->fail('This type file is wrong.');
        } catch (Refused $refused) {
            $this->assertSame(
                [
                    'x-wellspring.key',
                    'x-wellspring.address',
                    'required[0]',
                    'properties.title',
                    'properties.price.type',
                    'properties.light.enum',
                    'properties.glow.x-wellspring.kind',
                    'surprise',
                ],
                array_map(fn ($problem): string => $problem->path, $refused->problems),
            );
        }
    }
}
