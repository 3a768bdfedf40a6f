<?php

declare(strict_types=1);

namespace App\Demo;

use App\Content\CatalogueStore;
use App\Content\ItemWriter;
use App\Content\TypeWriter;
use App\Import\Csv;
use App\Media\MediaStore;
use App\Models\Item;
use App\Models\Page;
use App\Models\Taxonomy;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Content\Kind\Instant;
use Wellspring\Core\Text\Slug;

/** The made-up Quillmoor Garden, brought in through the same doors as anybody's content. Its dates are relative to today. */
final readonly class DemoSite
{
    public const EMAIL = 'marigold@quillmoor.example';

    public const PASSWORD = 'water-the-ferns';

    public function __construct(
        private TypeWriter $types,
        private ItemWriter $items,
        private CatalogueStore $catalogue,
        private MediaStore $media,
        private ModuleStore $modules,
    ) {
    }

    public static function isThere(): bool
    {
        return User::query()->exists() || Item::query()->exists();
    }

    /** @param  \Closure(): void  $progress told after every item */
    public function load(\Closure $progress): void
    {
        User::query()->create(['name' => 'Marigold Finch', 'email' => self::EMAIL, 'password' => self::PASSWORD]);
        $groups = self::json('groups.json');
        Taxonomy::query()->create(['key' => $groups['key'], 'label' => $groups['label'], 'tree' => $groups['tree']]);
        $this->terms($groups['key'], $groups['terms'], null);
        $this->catalogue->forget();
        foreach (['product', 'post'] as $type) {
            $this->types->apply(self::json("{$type}.type.json"));
        }
        $this->products($progress);
        $this->posts($progress);
        foreach (self::json('pages.json') as $i => $page) {
            $row = Page::query()->create(['address' => $page['address'], 'title' => $page['title'], 'intro' => $page['intro'], 'position' => $i]);
            foreach ($page['modules'] as $key) {
                $module = $this->modules->publish($this->modules->apply($this->modules->read(self::json("modules/{$key}.json"))));
                $this->modules->place($module, [$row->id]);
            }
        }
    }

    /** @param  array<mixed>  $terms  each with a name and perhaps terms below */
    private function terms(string $taxonomy, array $terms, ?int $parent): void
    {
        foreach ($terms as $i => $term) {
            $row = Term::query()->create(['taxonomy_key' => $taxonomy, 'parent_id' => $parent, 'slug' => Slug::from($term['name']), 'name' => $term['name'], 'position' => $i]);
            $this->terms($taxonomy, $term['below'] ?? [], $row->id);
        }
    }

    /** @param  \Closure(): void  $progress */
    private function products(\Closure $progress): void
    {
        $texts = self::json('texts.json');
        foreach (self::rows('products.csv') as $seed => $row) {
            $form = $row['form'];
            $this->item('product', [
                'title' => $row['title'],
                'picture' => $form === '' ? '' : $this->media->add(PlantDrawing::plant($form, $seed), $row['title'], "A drawing of {$row['title']}")->name,
                'text' => "<p>{$row['note']}</p><p>{$texts['season'][$row['season']]} {$texts['light'][$row['light']]}</p>",
            ] + $row);
            $progress();
        }
    }

    /** @param  \Closure(): void  $progress */
    private function posts(\Closure $progress): void
    {
        $paragraphs = self::json('texts.json')['journal'];
        foreach (self::rows('posts.csv') as $seed => $row) {
            $text = '';
            for ($i = 0; $i < 3; $i++) {
                $text .= '<p>'.$paragraphs[($seed * 2 + $i) % count($paragraphs)].'</p>';
            }
            $this->item('post', [
                'picture' => $row['picture'] === '' ? '' : $this->media->add(PlantDrawing::bed($seed), 'journal '.$row['title'], 'A drawing of a bed in the garden')->name,
                'text' => $text,
            ] + $row);
            $progress();
        }
    }

    /** @param  array<string, string>  $row */
    private function item(string $type, array $row): void
    {
        $definition = $this->catalogue->catalogue()->types[$type];
        $reader = new ItemReader($definition);
        $at = new \DateTimeImmutable('today 09:00 -'.(int) $row['days'].' days', new \DateTimeZone(config()->string('site.time_zone')));
        $cells = ['publish_at' => Instant::write($at)] + $row;
        $this->items->create($definition, $reader->fromCells(array_intersect_key($cells, array_flip($reader->columns()))));
    }

    /** @return list<array<string, string>> */
    private static function rows(string $file): array
    {
        $header = [];
        $rows = [];
        foreach (Csv::rows(self::path($file)) as $cells) {
            if ($header === []) {
                $header = $cells;
            } else {
                $rows[] = array_combine($header, $cells);
            }
        }

        return $rows;
    }

    /** @return array<mixed> */
    private static function json(string $file): array
    {
        $data = json_decode((string) file_get_contents(self::path($file)), true, 64, JSON_THROW_ON_ERROR);

        return is_array($data) ? $data : [];
    }

    private static function path(string $file): string
    {
        return database_path('demo/'.$file);
    }
}
