<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\OpenApi\ManageApi;
use Illuminate\Console\Command;
use Wellspring\Core\Content\File\TaxonomySchema;
use Wellspring\Core\Content\File\TypeSchema;
use Wellspring\Core\Context\SiteSettingsSchema;
use Wellspring\Core\Look\LookReader;
use Wellspring\Core\Module\ModuleSchema;
use Wellspring\Core\Page\Frame\FrameSchema;
use Wellspring\Core\Page\Menu\MenuSchema;
use Wellspring\Core\Page\PageSchema;

final class WriteSchemas extends Command
{
    protected $signature = 'wellspring:schemas {--check : Write nothing; fail where a file says something else}';

    protected $description = 'Write the JSON Schemas and the description of the API in docs/formats, from the code';

    public function handle(): int
    {
        $differ = false;
        foreach (self::files() as $name => $content) {
            $path = base_path("docs/formats/{$name}");
            if (! $this->option('check')) {
                file_put_contents($path, $content);
                $this->line("docs/formats/{$name}");
            } elseif (! is_file($path) || file_get_contents($path) !== $content) {
                $differ = true;
                $this->error("docs/formats/{$name} differs from the code; php artisan wellspring:schemas writes it.");
            }
        }

        return $differ ? self::FAILURE : self::SUCCESS;
    }

    /** @return array<string, string> the content of each file, by its name */
    public static function files(): array
    {
        return array_map(
            fn (array $schema): string => json_encode(
                $schema,
                JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR,
            )."\n",
            [
                'module.schema.json' => ModuleSchema::build(),
                'page.schema.json' => PageSchema::build(),
                'frame.schema.json' => FrameSchema::build(),
                'menu.schema.json' => MenuSchema::build(),
                'type.schema.json' => TypeSchema::build(),
                'taxonomy.schema.json' => TaxonomySchema::build(),
                'look.schema.json' => LookReader::schema(),
                'settings.schema.json' => SiteSettingsSchema::build(),
            ],
        ) + ['manage-api.openapi.json' => ManageApi::json()];
    }
}
