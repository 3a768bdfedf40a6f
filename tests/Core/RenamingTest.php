<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Problem\Refused;

/** A definition names fields and terms in many places; new names go to those places and to no others. */
final class RenamingTest extends TestCase
{
    private const HEAD = ['format' => 1, 'key' => 'm', 'name' => 'M', 'source' => ['items' => ['plant']]];

    public function test_a_field_is_renamed_wherever_it_is_meant(): void
    {
        $definition = self::HEAD + [
            'where' => ['all' => [
                ['field' => 'nickname', 'test' => 'contains', 'value' => 'nickname'],
                [
                    'any' => [
                        ['field' => 'friends.nickname', 'test' => 'is', 'value' => 'x'],
                        ['field' => 'nickname', 'test' => 'filled', 'off' => true],
                    ],
                ],
                ['field' => 'words', 'test' => 'search', 'value' => 'fern', 'in' => ['title' => 4, 'nickname' => 2]],
            ]],
            'headings' => ['by' => 'nickname'],
            'order' => [['by' => 'nickname'], ['by' => 'title']],
            'pin' => ['nickname'],
            'card' => [
                'lines' => [[
                    'parts' => [['part' => 'title'], ['part' => 'field', 'field' => 'nickname', 'label' => 'nickname']],
                ]],
            ],
        ];
        $expected = self::HEAD + [
            'where' => ['all' => [
                ['field' => 'pet_name', 'test' => 'contains', 'value' => 'nickname'],
                [
                    'any' => [
                        ['field' => 'friends.pet_name', 'test' => 'is', 'value' => 'x'],
                        ['field' => 'pet_name', 'test' => 'filled', 'off' => true],
                    ],
                ],
                ['field' => 'words', 'test' => 'search', 'value' => 'fern', 'in' => ['title' => 4, 'pet_name' => 2]],
            ]],
            'headings' => ['by' => 'pet_name'],
            'order' => [['by' => 'pet_name'], ['by' => 'title']],
            'pin' => ['nickname'],
            'card' => [
                'lines' => [[
                    'parts' => [['part' => 'title'], ['part' => 'field', 'field' => 'pet_name', 'label' => 'nickname']],
                ]],
            ],
        ];
        $this->assertSame(
            $expected,
            self::renamed($definition, Renaming::ofFields('plant', ['nickname' => 'pet_name'], Garden::catalogue())),
        );
        $this->assertSame(
            $definition,
            self::renamed($definition, Renaming::ofFields('tool', ['nickname' => 'pet_name'], Garden::catalogue())),
            'another type’s field of that key is another field',
        );
    }

    /**
     * Tools link to plants: a plant's field that a rule over tools reaches through the link follows, and so does the
     * link itself.
     */
    public function test_pages_and_menus_follow_too(): void
    {
        $catalogue = Garden::catalogue();
        $page = fn (string $field): array => [
            'format' => 1, 'key' => 'p', 'address' => '/p/{p}', 'about' => ['item' => 'plant'], 'title' => 'P',
            'bands' => [['key' => 'b', 'slots' => [['share' => 12, 'blocks' => [
                ['block' => 'field', 'fields' => ['light', $field]],
                ['block' => 'parts', 'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => $field]]]]]],
                ['block' => 'map', 'field' => 'spot'],
            ]]]]],
        ];
        $renaming = Renaming::ofFields('plant', ['nickname' => 'pet_name'], $catalogue);
        $read = (new PageReader($catalogue))->read($page('nickname'));
        $this->assertSame(
            $page('pet_name'),
            $renaming->in($page('nickname'), $read->references($catalogue)),
        );
        $terms = Renaming::ofTerms('groups', ['ferns' => 'fronds']);
        $about = fn (string $term): array => [
            'format' => 1, 'key' => 'p', 'address' => '/p/{p}', 'title' => 'P',
            'about' => ['term' => 'groups', 'under' => $term, 'only' => ['hostas', $term]], 'bands' => [],
        ];
        $this->assertSame($about('fronds'), $terms->in(
            $about('ferns'),
            (new PageReader($catalogue))->read($about('ferns'))->references($catalogue),
        ));
        $menu = fn (string $term): array => ['format' => 1, 'key' => 'm', 'entries' => [
            ['link' => '/ferns', 'label' => 'Ferns', 'entries' => [['term' => ['groups', $term]]]],
        ]];
        $this->assertSame($menu('fronds'), $terms->in(
            $menu('ferns'),
            (new MenuReader($catalogue))->read($menu('ferns'))->references(),
        ));
    }

    public function test_fields_reached_through_links_follow_both_ends(): void
    {
        $definition = [
            'source' => ['items' => ['tool']],
            'where' => [
                'all' => [
                    ['field' => 'friends.nickname', 'test' => 'filled'],
                    ['field' => 'nickname', 'test' => 'filled'],
                ],
            ],
        ] + self::HEAD;
        $fields = fn (Renaming $renaming): array => array_column(
            self::renamed($definition, $renaming)['where']['all'] ?? [],
            'field',
        );
        $this->assertSame(
            ['friends.pet_name', 'nickname'],
            $fields(Renaming::ofFields('plant', ['nickname' => 'pet_name'], Garden::catalogue())),
        );
        $this->assertSame(
            ['uses_with.nickname', 'nickname'],
            $fields(Renaming::ofFields('tool', ['friends' => 'uses_with'], Garden::catalogue())),
        );
        $this->assertSame(
            ['friends.nickname', 'pet_name'],
            $fields(Renaming::ofFields('tool', ['nickname' => 'pet_name'], Garden::catalogue())),
        );
    }

    public function test_a_field_of_the_pages_item_is_renamed_where_no_other_type_has_it(): void
    {
        $taken = fn (string $of): array => [
            'where' => [
                'all' => [[
                    'field' => $of,
                    'test' => 'eq',
                    'value' => ['from' => 'page', 'take' => 'item', 'of' => $of],
                ]],
            ],
        ] + self::HEAD;
        $of = fn (string $field): string => self::renamed(
            $taken($field),
            Renaming::ofFields('plant', [$field => 'other'], Garden::catalogue()),
        )['where']['all'][0]['value']['of'] ?? '';
        $this->assertSame(['other', 'price'], [$of('rating'), $of('price')], 'tools have a price, too');
    }

    public function test_a_term_is_renamed_wherever_it_is_meant_and_merged_ones_are_named_once(): void
    {
        $definition = self::HEAD + [
            'where' => ['all' => [
                ['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns', 'shrubs', 'hostas'], 'below' => true],
                ['field' => 'friends.groups', 'test' => 'noneOf', 'value' => ['ferns']],
                ['field' => 'nickname', 'test' => 'anyOf', 'value' => ['ferns']],
            ]],
            'pin' => ['ferns'],
            'order' => [['by' => 'byHand', 'of' => 'groups', 'term' => 'ferns']],
        ];
        $renamed = self::renamed(
            $definition,
            Renaming::ofTerms('groups', ['ferns' => 'bracken', 'shrubs' => 'bracken']),
        );
        $this->assertSame(
            [['bracken', 'hostas'], ['bracken'], ['ferns']],
            array_column($renamed['where']['all'], 'value'),
        );
        $this->assertSame([['ferns'], 'bracken'], [$renamed['pin'], $renamed['order'][0]['term']]);
        $this->assertSame(
            $definition,
            self::renamed($definition, Renaming::ofTerms('soils', ['ferns' => 'bracken'])),
            'another taxonomy’s term of that slug',
        );
        $index = [
            'source' => ['terms' => 'groups', 'under' => 'perennials'],
            'pin' => ['ferns', 'hostas'],
            'leaveOut' => ['tree-ferns'],
        ] + self::HEAD;
        $renamed = self::renamed(
            $index,
            Renaming::ofTerms('groups', ['perennials' => 'lasting', 'ferns' => 'bracken', 'tree-ferns' => 'dicksonia']),
        );
        $this->assertSame(
            ['lasting', ['bracken', 'hostas'], ['dicksonia']],
            [$renamed['source']['under'], $renamed['pin'], $renamed['leaveOut']],
        );
    }

    /** Whatever is drawn can be read as before once the site has the new names, and says the same. */
    public function test_any_definition_can_be_read_after_a_renaming(): void
    {
        $file = json_decode(
            str_replace(
                ['"nickname"', '"height"'],
                ['"pet_name"', '"tallness"'],
                (string) json_encode(Garden::plantFile()),
            ),
            true,
        );
        $catalogue = Garden::catalogueWith(is_array($file) ? $file : []);
        $renaming = Renaming::ofFields(
            'plant',
            ['nickname' => 'pet_name', 'height' => 'tallness'],
            Garden::catalogue(),
        );
        $back = Renaming::ofFields('plant', ['pet_name' => 'nickname', 'tallness' => 'height'], $catalogue);
        $seed = random_int(1, 1_000_000);
        for ($n = 0; $n < 200; $n++) {
            $rules = (new RandomModules($seed + $n))->rules(20, plants: true);
            $read = (new ModuleReader(Garden::catalogue()))->read($rules);
            $renamed = (new ModuleReader($catalogue))->read($renaming->in($read->toArray(), $read->references()));
            // An address goes on calling a filter by the old name, which then stands in the definition.
            $again = (new ModuleReader(Garden::catalogue()))
                ->read($back->in($renamed->toArray(), $renamed->references()));
            $this->assertEquals($read->toArray(), $again->toArray(), "seed {$seed}, definition {$n}");
            $this->assertSame($read->parameterNames(), $renamed->parameterNames(), "seed {$seed}, definition {$n}");
        }
    }

    public function test_rules_that_cannot_be_read_are_set_aside_in_their_place(): void
    {
        $reader = new ModuleReader(Garden::catalogue());
        $salvaged = $reader->salvage(self::HEAD + [
            'where' => ['all' => [
                ['field' => 'gone', 'test' => 'filled'],
                [
                    'any' => [
                        ['field' => 'height', 'test' => 'gt', 'value' => 3],
                        ['field' => 'height', 'test' => 'gt', 'value' => 'x'],
                    ],
                ],
                ['field' => 'groups', 'test' => 'anyOf', 'value' => ['ferns', 'gone']],
                ['field' => 'hardy', 'test' => 'yes'],
            ]],
            'headings' => ['by' => 'gone'],
            'order' => [['by' => 'price'], ['by' => 'gone']],
            'card' => ['lines' => [['parts' => [['part' => 'field', 'field' => 'gone'], ['part' => 'price']]]]],
        ]);
        $this->assertEqualsCanonicalizing(
            ['where.all[0]', 'where.all[1].any[1]', 'where.all[2]', 'headings', 'order[1]', 'card.lines[0].parts[0]'],
            $salvaged->aside,
        );
        $this->assertSame(
            [
                'where.all[0].field',
                'where.all[1].any[1].value',
                'where.all[2].value',
                'order[1].by',
                'card.lines[0].parts[0].field',
                'headings.by',
            ],
            array_map(fn ($problem): string => $problem->path, $salvaged->problems),
        );
        $aside = ['all' => [], 'off' => true];
        $this->assertSame(
            [
                $aside,
                ['any' => [['field' => 'height', 'test' => 'gt', 'value' => 3], $aside]],
                $aside,
                ['field' => 'hardy', 'test' => 'yes'],
            ],
            $salvaged->module->toArray()['where']['all'] ?? null,
        );
        $this->assertSame([], $reader->salvage(self::HEAD)->problems);
        foreach ([
            ['source' => ['items' => ['gone']]],
            ['key' => 'NO'],
            ['where' => ['some' => []]],
            ['unknown' => 1],
            ['name' => '', 'where' => ['all' => [['field' => 'gone', 'test' => 'filled']]]],
            ['page' => ['size' => 0], 'order' => [['by' => 'gone']]],
        ] as $wrong) {
            try {
                $reader->salvage($wrong + self::HEAD);
                $this->fail('What is no single rule is refused: '.json_encode($wrong));
            } catch (Refused) {
            }
        }
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array<array-key, mixed>
     */
    private static function renamed(array $definition, Renaming $renaming): array
    {
        return $renaming->in($definition, (new ModuleReader(Garden::catalogue()))->read($definition)->references());
    }
}
