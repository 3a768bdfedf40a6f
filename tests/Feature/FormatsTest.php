<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Catalogue\CatalogueStore;
use App\Console\Commands\WriteSchemas;
use App\Models\Item;
use Illuminate\Support\Facades\Artisan;
use Opis\JsonSchema\Validator;
use Tests\Support\Garden;
use Tests\Support\RandomModules;
use Wellspring\Core\Content\File\TaxonomyFile;
use Wellspring\Core\Content\File\TypeFile;
use Wellspring\Core\Context\SiteSettingsReader;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Page\Menu\MenuReader;
use Wellspring\Core\Page\PageReader;

/**
 * The JSON Schemas of docs/formats say what the readers take; every example there is run. Checked by opis/json-schema.
 */
final class FormatsTest extends TestCase
{
    public function test_every_example_fits_its_schema_and_is_taken(): void
    {
        $this->seedDemoTypes();
        foreach (glob(base_path('docs/formats/examples/*.type.json')) ?: [] as $file) {
            $this->assertFits($file, (string) file_get_contents($file), 'type');
            $this->assertSame(0, Artisan::call('wellspring:types:apply', ['file' => $file]), Artisan::output());
        }
        foreach ([
            ...glob(base_path('docs/formats/examples/*.taxonomy.json')) ?: [],
            ...glob(database_path('*/taxonomies/*.json')) ?: [],
            ...glob(database_path('sets/*/taxonomies/*.json')) ?: [],
        ] as $file) {
            $this->assertFits($file, (string) file_get_contents($file), 'taxonomy');
            TaxonomyFile::read(json_decode((string) file_get_contents($file), true));
        }
        foreach ([
            ...glob(database_path('demo/types/*.json')) ?: [],
            ...glob(database_path('sets/*/types/*.json')) ?: [],
        ] as $file) {
            $this->assertFits($file, (string) file_get_contents($file), 'type');
        }
        foreach (glob(base_path('docs/formats/examples/*.page.json')) ?: [] as $file) {
            $json = (string) file_get_contents($file);
            $this->assertFits($file, $json, 'page');
            $page = (new PageReader(app(CatalogueStore::class)->catalogue()))->read(json_decode($json, true));
            $this->assertFits("what is written of {$file}", (string) json_encode($page->toArray()), 'page');
        }
        foreach (['frame', 'menu'] as $kind) {
            $files = glob(base_path("docs/formats/examples/*.{$kind}.json")) ?: [];
            $this->assertNotSame([], $files);
            foreach ($files as $file) {
                $json = (string) file_get_contents($file);
                $this->assertFits($file, $json, $kind);
                $read = $kind === 'frame'
                    ? FrameReader::read(json_decode($json, true))
                    : (new MenuReader(app(CatalogueStore::class)->catalogue()))->read(json_decode($json, true));
                $this->assertFits("what is written of {$file}", (string) json_encode($read->toArray()), $kind);
            }
        }
        foreach ([
            ...glob(base_path('docs/formats/examples/*.look.json')) ?: [],
            ...glob(base_path('core/data/looks/*.json')) ?: [],
        ] as $file) {
            $json = (string) file_get_contents($file);
            $this->assertFits($file, $json, 'look');
            $look = LookReader::read(json_decode($json, true));
            $this->assertFits("what is written of {$file}", (string) json_encode($look->toArray()), 'look');
        }
        foreach (glob(base_path('docs/formats/examples/*.module.json')) ?: [] as $file) {
            $this->assertFits($file, (string) file_get_contents($file), 'module');
            $this->assertSame(
                0,
                Artisan::call('wellspring:modules:apply', ['file' => $file, '--publish' => true]),
                Artisan::output(),
            );
            $this->assertSame(
                0,
                Artisan::call('wellspring:run', ['key' => basename($file, '.module.json')]),
                Artisan::output(),
            );
        }
        foreach (['csv', 'json'] as $ending) {
            Item::query()->where('type_key', 'plot')->delete();
            $this->assertSame(
                0,
                Artisan::call(
                    'wellspring:items:import',
                    ['file' => base_path("docs/formats/examples/plots.{$ending}"), '--type' => 'plot'],
                ),
                Artisan::output(),
            );
            $this->assertSame(
                ['Orchard strip', 'Plot by the well'],
                Item::query()->where('type_key', 'plot')->orderBy('title')->pluck('title')->all(),
            );
        }
    }

    public function test_what_is_written_fits_the_schemas(): void
    {
        $this->assertFits(
            'a type with every kind',
            json_encode(TypeFile::write(Garden::plant()), JSON_THROW_ON_ERROR),
            'type',
        );
        $reader = new ModuleReader(Garden::catalogue());
        for ($seed = 1; $seed <= 60; $seed++) {
            $rules = (new RandomModules($seed))->rules(20);
            $this->assertFits("drawn definition {$seed}", json_encode($rules, JSON_THROW_ON_ERROR), 'module');
            $this->assertFits(
                "drawn definition {$seed}, written",
                json_encode($reader->read($rules)->toArray(), JSON_THROW_ON_ERROR),
                'module',
            );
        }
        $settings = [
            'format' => 1, 'name' => 'A site', 'locale' => 'en-GB', 'timeZone' => 'Europe/London', 'firstWeekday' => 7,
            'currency' => 'GBP', 'signUp' => true, 'home' => 'start',
            'map' => ['tiles' => 'https://tiles.example/{z}/{x}/{y}.png', 'attribution' => 'Example'],
            'videoSites' => [[
                'name' => 'Films', 'host' => 'films.example', 'oembed' => 'https://films.example/oembed',
                'frames' => 'films.example',
            ]],
        ];
        $this->assertFits(
            'settings',
            json_encode(SiteSettingsReader::read($settings)->toArray(), JSON_THROW_ON_ERROR),
            'settings',
        );
        $this->assertFalse($this->fits((string) json_encode(['firstWeekday' => 8] + $settings), 'settings'));
        $this->assertFalse($this->fits((string) json_encode(['map' => ['tiles' => 'x']] + $settings), 'settings'));
        $this->assertFalse(
            $this->fits(
                '{"format": 1, "key": "x", "name": "X", "source": {"items": ["plant"]}, "colour": "red"}',
                'module',
            ),
        );
        $this->assertFalse(
            $this->fits(
                '{"format": 1, "key": "x", "name": "X", "source": {"items": ["plant"]}, "where": {"all": [{"field": '
                    .'"price", "test": "gt", "value": "4"}]}}',
                'module',
            ),
        );
    }

    public function test_the_schemas_are_those_of_the_registers(): void
    {
        foreach (WriteSchemas::files() as $name => $content) {
            $this->assertSame(
                $content,
                file_get_contents(base_path("docs/formats/{$name}")),
                'php artisan wellspring:schemas writes it anew',
            );
        }
    }

    private function seedDemoTypes(): void
    {
        $this->plantType();
        foreach (['product', 'post'] as $type) {
            $this->assertSame(
                0,
                Artisan::call('wellspring:types:apply', ['file' => database_path("demo/types/{$type}.json")]),
                Artisan::output(),
            );
        }
    }

    private function assertFits(string $what, string $json, string $schema): void
    {
        $this->assertTrue($this->fits($json, $schema), "{$what} does not fit {$schema}.schema.json: {$json}");
    }

    private function fits(string $json, string $schema): bool
    {
        $validator = new Validator;

        return $validator->validate(
            json_decode($json),
            (string) file_get_contents(base_path("docs/formats/{$schema}.schema.json")),
        )->isValid();
    }
}
