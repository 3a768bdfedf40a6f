<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\ItemWriter;
use App\Content\Types\TypeWriter;
use App\Freshness\Dependencies;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Modules\ModuleStore;
use App\Pages\StoredPage;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\DrawnBlock;
use App\Site\Listings\VisitorListings;
use App\Site\Output\Outputs;
use App\Site\SitePages;
use App\Site\Subject;
use Illuminate\Support\Facades\View;
use Tests\Plugins\Arrangement\Pairs;
use Tests\Plugins\Block\Shout;
use Tests\Plugins\CardPart\Initial;
use Tests\Plugins\ConditionTest\Even;
use Tests\Plugins\ConditionTest\EvenSql;
use Tests\Plugins\FieldKind\Stars;
use Tests\Plugins\FilterControl\AtLeast;
use Tests\Plugins\Order\TitleLength;
use Tests\Plugins\Order\TitleLengthSql;
use Tests\Plugins\Output\Titles;
use Tests\Plugins\Source\Titled;
use Tests\Plugins\Source\TitledSql;
use Tests\Support\Garden;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Module\ModuleSchema;
use Wellspring\Core\Page\PageReader;
use Wellspring\Core\Page\PageSchema;
use Wellspring\Core\Run\Step;
use Wellspring\Core\Wording\Format;

/** One of each plug-in, added from a folder of its own by lines in a register alone. */
final class PluginsTest extends TestCase
{
    private const FOLDER = __DIR__.'/../Plugins';

    protected function setUp(): void
    {
        parent::setUp();
        $this->addPlugins([
            Stars::class, Even::class, EvenSql::class, TitleLength::class, TitleLengthSql::class,
            Titled::class, TitledSql::class, Initial::class, Pairs::class, Shout::class, AtLeast::class, Titles::class,
        ]);
        array_map(View::addLocation(...), glob(self::FOLDER.'/*/views') ?: []);
    }

    public function test_one_of_each_is_added_and_used(): void
    {
        $type = app(TypeWriter::class)->apply([
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'Dish',
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => 'dish', 'plural' => 'Dishes'],
            'properties' => ['stars' => ['maximum' => 7, 'x-wellspring' => ['kind' => 'stars']]],
        ])->type;
        $this->assertSame(7, $type->fields['stars']->limits->maximum, 'a kind reads its own limits');
        foreach ([
            'Soup' => 2, 'Salad of beans' => 4, 'Stew' => 3, 'Bread' => 4, 'Sorbet' => null,
        ] as $title => $stars) {
            app(ItemWriter::class)->create(
                $type,
                (new ItemReader($type))->fromValues(['title' => $title, 'stars' => $stars]),
            );
        }
        $definition = [
            'format' => 1, 'key' => 'dishes', 'name' => 'Dishes',
            'source' => ['titled' => 'S', 'type' => 'dish'],
            'where' => ['all' => [['field' => 'stars', 'test' => 'even']]],
            'order' => [['by' => 'titleLength', 'direction' => 'down']],
            'arrange' => ['as' => 'pairs'],
            'offer' => ['filters' => [['field' => 'stars', 'as' => 'atLeast']]],
            'card' => [
                'lines' => [[
                    'parts' => [['part' => 'initial'], ['part' => 'title'], ['part' => 'field', 'field' => 'stars']],
                ]],
            ],
        ];
        $module = app(ModuleStore::class)->read($definition);
        $this->assertSame($definition['source'], $module->toArray()['source']);
        $context = app(ContextFactory::class)->now();
        $result = app(Listing::class)->run($module, $context);
        $this->assertSame(
            ['source' => 4, 'where.all[0]' => 2, 'choices' => 2, 'leaveOut' => 2, 'empty' => 2, 'total' => 2],
            array_column(
                array_map(fn (Step $step): array => [(string) $step->name, $step->left], $result->steps),
                1,
                0,
            ),
        );
        $this->assertStringContainsString(
            'dishes under s · keep only those whose stars is even · order by length of the title, longest first',
            mb_strtolower(Sentences::asLine($module, app(Format::class))),
        );
        $listing = app(VisitorListings::class)
            ->showAlone($module, new PageAddress('/'), $context, '1', new Dependencies);
        $html = app(Outputs::class)->find('html')->write($listing);
        $this->assertMatchesRegularExpression(
            '~<ol class="pairs">.*initial">S<.*Salad of beans.*★★★★.*Soup.*★★.*</ol>~s',
            $html,
        );
        $this->assertSame("Salad of beans\nSoup", app(Outputs::class)->find('titles')->write($listing));
        $chosen = $context->with(choices: Choices::fromAddress(['dishes-stars' => '3']));
        $this->assertSame(1, app(Listing::class)->total($module, $chosen));
        $blocks = [['module' => 'dishes'], ['block' => 'shout', 'words' => 'dinner']];
        $page = (new PageReader(new Catalogue([])))->read([
            'format' => 1, 'key' => 'menu', 'address' => '/menu', 'title' => 'Menu',
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => $blocks]]]],
        ]);
        $found = new FoundPage(new StoredPage(null, $page), Subject::ofPage($page));
        $shown = app(SitePages::class)->page($found, new PageAddress('/menu'), $context, []);
        $this->assertSame(
            ['<p class="shout">DINNER</p>'],
            array_map(fn (DrawnBlock $block): string => trim($block->html), $shown->bands[0]->slots[0]->blocks),
            'a module that is not live has nothing to show',
        );
        $schema = json_encode(ModuleSchema::build()).json_encode(PageSchema::build());
        foreach ([
            '"even"', 'titleLength', '"titled"', '"initial"', '"pairs"', '"atLeast"', '"shout"',
        ] as $key) {
            $this->assertStringContainsString($key, $schema);
        }
    }

    public function test_manage_offers_what_was_added(): void
    {
        $this->plantType();
        $this->actingAs($this->manager());
        $start = $this->getJson('/manage/api/start')->assertOk();
        $this->assertContains(['key' => 'titled', 'label' => 'Items under a letter', 'options' => [
            ['key' => 'titled', 'label' => 'First letter', 'kind' => 'words', 'default' => 'A', 'hint' => ''],
        ]], $start->json('sources'));
        $this->assertContains('Loud words', array_column($start->json('blocks'), 'label'));
        $offers = $this->postJson('/manage/api/pages/blocks', ['about' => null])->assertOk();
        $this->assertContains(
            ['key' => 'shout', 'begin' => ['block' => 'shout'], 'why' => ''],
            $offers->json('blocks'),
        );
        $module = Garden::module();
        $asked = ['definition' => $module->toArray(), 'start' => 'titled'];
        $begun = $this->postJson('/manage/api/bench/source', $asked)->assertOk();
        $this->assertSame(['titled' => 'A', 'type' => 'plant'], $begun->json('definition.source'));
        $this->postJson('/manage/api/bench/source', ['start' => 'wells'] + $asked)
            ->assertUnprocessable()
            ->assertJsonPath('problems.0.path', 'start');
    }

    /** Each kind of plug-in needs the files of its folder, and a line in config/plugins.php. */
    public function test_the_counted_files_are_those_that_the_docs_tell(): void
    {
        $counted = [];
        foreach (glob(self::FOLDER.'/*', GLOB_ONLYDIR) ?: [] as $folder) {
            $files = new \RecursiveIteratorIterator(
                new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS),
            );
            $counted[basename($folder)] = iterator_count($files) + 1;
        }
        ksort($counted);
        $docs = (string) file_get_contents(base_path('docs/developers/add-to-it.md'));
        preg_match_all('/^\| [^|]+ \| `tests\/Plugins\/(\w+)` \| (\d+) \|/m', $docs, $told, PREG_SET_ORDER);
        $told = array_map(intval(...), array_column($told, 2, 1));
        ksort($told);
        $this->assertSame($counted, $told);
    }
}
