<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Content\ItemWriter;
use App\Content\Types\TypeWriter;
use App\Freshness\Dependencies;
use App\Listing\Cache\CachedListing;
use App\Listing\Cache\ListingDependencies;
use App\Listing\ContextFactory;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\Taxonomy;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use App\Pages\PageStore;
use App\Pages\Placements;
use App\Pages\SiteDefinitionStore;
use App\Providers\PluginServiceProvider;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Testing\DatabaseTransactions;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;
use Illuminate\Routing\Route;
use Illuminate\Routing\Router;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Tests\Support\ApiContract;
use Tests\Support\Garden;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Run\Result;
use Wellspring\Core\Text\Fold;
use Wellspring\Core\Text\Words;

/** On a real PostgreSQL; every test is rolled back. */
abstract class TestCase extends LaravelTestCase
{
    use DatabaseTransactions;

    public function createApplication(): Application
    {
        /** @var Application $app */
        $app = require dirname(__DIR__, 2).'/bootstrap/app.php';
        $app->make(\Illuminate\Contracts\Console\Kernel::class)->bootstrap();

        return $app;
    }

    /**
     * Every answer of the API is what its description says. What holds for one request is made anew for each.
     *
     * @param  array<mixed>  $parameters
     * @param  array<mixed>  $cookies
     * @param  array<mixed>  $files
     * @param  array<mixed>  $server
     * @return TestResponse<\Symfony\Component\HttpFoundation\Response>
     */
    public function call($method, $uri, $parameters = [], $cookies = [], $files = [], $server = [], $content = null)
    {
        $this->app->forgetScopedInstances();
        array_map(fn (Route $route) => $route->flushController(), app(Router::class)->getRoutes()->getRoutes());
        $answer = parent::call($method, $uri, $parameters, $cookies, $files, $server, $content);
        ApiContract::hold($answer);

        return $answer;
    }

    protected function tearDown(): void
    {
        // The registers are static; what a test has added to them leaves with it.
        if (config('plugins') !== []) {
            $this->addPlugins([]);
        }
        parent::tearDown();
    }

    /** @param  list<class-string>  $plugins  beside Wellspring's own */
    protected function addPlugins(array $plugins): void
    {
        config(['plugins' => $plugins]);
        $provider = new PluginServiceProvider($this->app);
        $provider->register();
        $provider->boot();
    }

    /** The type and taxonomy of Garden, stored. */
    protected function plantType(): Type
    {
        foreach (Garden::taxonomies() as $taxonomy) {
            Taxonomy::query()->create([
                'key' => $taxonomy->key,
                'label' => $taxonomy->label,
                'tree' => $taxonomy->tree,
            ]);
            $ids = [];
            foreach ($taxonomy->terms->all() as $i => $term) {
                $ids[$term->slug] = Term::query()->create([
                    'taxonomy_key' => $taxonomy->key,
                    'slug' => $term->slug,
                    'name' => $term->name,
                    'position' => $i,
                    'words' => implode(' ', Words::of($term->name)),
                    'folded' => ['title' => Fold::of($term->name), 'slug' => $term->slug],
                    'parent_id' => $term->parent === null ? null : $ids[$term->parent],
                ])->id;
            }
        }
        app(CatalogueStore::class)->forget();

        return app(TypeWriter::class)->apply(Garden::plantFile())->type;
    }

    /** The revision of a row of `types`, `taxonomies` or `terms`, by its key or id. */
    protected function revision(string $table, string|int $key): int
    {
        $revision = DB::table($table)->where(is_int($key) ? 'id' : 'key', $key)->value('revision');

        return is_numeric($revision) ? (int) $revision : 0;
    }

    /** @param  array<string, mixed>  $values */
    protected function plant(array $values): Item
    {
        $type = app(CatalogueStore::class)->catalogue()->types['plant'];

        return app(ItemWriter::class)->create($type, (new ItemReader($type))->fromValues($values));
    }

    /** A page that is live, with the modules in one slot. */
    protected function pageAt(string $address, string $title = 'Garden', string ...$modules): Page
    {
        return $this->publishPage([
            'key' => trim(str_replace('/', '-', $address), '-') ?: 'home', 'address' => $address, 'title' => $title,
            'menu' => ['label' => $title],
            'bands' => [['key' => 'body', 'slots' => [['share' => 12, 'blocks' => array_map(
                fn (string $module): array => ['module' => $module],
                $modules,
            )]]]],
        ]);
    }

    /** @param  array<string, mixed>  $definition  without its format */
    protected function publishPage(array $definition): Page
    {
        $store = app(PageStore::class);

        return $store->publish($store->apply($store->read(['format' => 1] + $definition)));
    }

    /** @param  array<string, list<array<string, mixed>>>  $slots */
    protected function publishFrame(array $slots): void
    {
        $store = app(SiteDefinitionStore::class);
        $frame = FrameReader::read(['format' => 1, 'slots' => $slots === [] ? new \stdClass : $slots]);
        $store->publish($store->apply($frame));
    }

    /** Publishes the module and lets it stand on the page. */
    protected function placeOn(Page $page, Module $module): ModuleRow
    {
        $row = app(ModuleStore::class)->publish(app(ModuleStore::class)->apply($module));
        $this->stand($row, $page);

        return $row;
    }

    /** Puts the module on the live page, or takes it off. */
    protected function stand(ModuleRow $module, Page $page, bool $stands = true): void
    {
        app(Placements::class)->stand($module, $page->key, $stands);
        app(PageStore::class)->publish($page);
    }

    /** The first page of a module by itself, as visitors get it. */
    protected function cached(Module $module, ?Context $context = null): Result
    {
        $context ??= app(ContextFactory::class)->now();
        $bound = $module->bound($context);
        $marks = app(ListingDependencies::class)->marksOf([$bound]);

        return app(CachedListing::class)->show($bound, $context, '1', new Dependencies, $marks);
    }

    protected function manager(): User
    {
        return User::query()
            ->create([
                'name' => 'Marigold',
                'email' => 'm@example.org',
                'password' => 'a long password',
                'role' => 'manager',
            ])
            ->refresh();
    }

    /** A file with the content, gone after the test. */
    protected function file(string $ending, string $content): string
    {
        $path = tempnam(sys_get_temp_dir(), 'ws').'.'.$ending;
        file_put_contents($path, $content);
        $this->beforeApplicationDestroyed(fn () => @unlink($path));

        return $path;
    }
}
