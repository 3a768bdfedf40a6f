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
use Tests\Support\Plugins\AtLeast;
use Tests\Support\Plugins\Even;
use Tests\Support\Plugins\EvenSql;
use Tests\Support\Plugins\Initial;
use Tests\Support\Plugins\Pairs;
use Tests\Support\Plugins\Shout;
use Tests\Support\Plugins\Stars;
use Tests\Support\Plugins\Titled;
use Tests\Support\Plugins\TitledSql;
use Tests\Support\Plugins\TitleLength;
use Tests\Support\Plugins\TitleLengthSql;
use Tests\Support\Plugins\Titles;
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
    protected function setUp(): void
    {
        parent::setUp();
        $this->addPlugins([
            Stars::class, Even::class, EvenSql::class, TitleLength::class, TitleLengthSql::class,
            Titled::class, TitledSql::class, Initial::class, Pairs::class, Shout::class, AtLeast::class, Titles::class,
        ]);
        View::addLocation(dirname(__DIR__).'/Support/Plugins/views');
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
}
