<?php

declare(strict_types=1);

namespace App\Console\Commands;

use Illuminate\Console\Command;
use Wellspring\Core\Content\File\TypeSchema;
use Wellspring\Core\Module\ModuleSchema;
use Wellspring\Core\Page\PageSchema;

final class WriteSchemas extends Command
{
    protected $signature = 'wellspring:schemas';

    protected $description = 'Write the JSON Schemas of docs/formats from what the registers hold';

    public function handle(): int
    {
        foreach (self::files() as $name => $content) {
            file_put_contents(base_path("docs/formats/{$name}"), $content);
            $this->line("docs/formats/{$name}");
        }

        return self::SUCCESS;
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
                'type.schema.json' => TypeSchema::build(),
            ],
        );
    }
}
