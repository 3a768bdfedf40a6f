<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Content\ItemWriter;
use App\Content\TypeWriter;
use App\Listing\ContextFactory;
use App\Listing\Listing;
use App\Modules\ModuleStore;
use App\Site\PageAddress;
use App\Site\SitePages;
use Illuminate\Support\Facades\View;
use Tests\Support\Plugins\Even;
use Tests\Support\Plugins\EvenSql;
use Tests\Support\Plugins\Initial;
use Tests\Support\Plugins\Pairs;
use Tests\Support\Plugins\Stars;
use Tests\Support\Plugins\Titled;
use Tests\Support\Plugins\TitledSql;
use Tests\Support\Plugins\TitleLength;
use Tests\Support\Plugins\TitleLengthSql;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Explain\Sentences;
use Wellspring\Core\Module\ModuleSchema;
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
            Titled::class, TitledSql::class, Initial::class, Pairs::class,
        ]);
        View::addLocation(dirname(__DIR__).'/Support/Plugins/views');
    }

    public function test_a_kind_a_test_a_criterion_a_source_a_part_and_an_arrangement_are_added_and_used(): void
    {
        $type = app(TypeWriter::class)->apply([
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            'title' => 'Dish',
            'type' => 'object',
            'x-wellspring' => ['format' => 1, 'key' => 'dish', 'plural' => 'Dishes'],
            'properties' => ['stars' => ['x-wellspring' => ['kind' => 'stars']]],
        ])->type;
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
        $view = app(SitePages::class)->module($module, new PageAddress('/'), $context, '1');
        $html = view('site.module', ['shown' => $view])->render();
        $this->assertMatchesRegularExpression(
            '~<ol class="pairs">.*initial">S<.*Salad of beans.*★★★★.*Soup.*★★.*</ol>~s',
            $html,
        );
        $schema = (string) json_encode(ModuleSchema::build());
        foreach (['"even"', 'titleLength', '"titled"', '"initial"', '"pairs"'] as $key) {
            $this->assertStringContainsString($key, $schema);
        }
    }
}
