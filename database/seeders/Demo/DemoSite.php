<?php

declare(strict_types=1);

namespace Database\Seeders\Demo;

use App\Catalogue\CatalogueStore;
use App\Content\ItemWriter;
use App\Import\Csv;
use App\Media\MediaStore;
use App\Models\ContentType;
use App\Models\Group;
use App\Models\Item;
use App\Models\Term;
use App\Models\User;
use App\Modules\ModuleStore;
use App\Pages\PageStore;
use App\People\DemoAccounts;
use App\Sets\ReadySet;
use App\Sets\SetApplier;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Content\ItemReader;
use Wellspring\Core\Time\Iso8601;

/**
 * The made-up Quillmoor Garden, brought in through the same doors as anybody's content. Its dates are relative to
 * today.
 */
final readonly class DemoSite
{
    public const EMAIL = 'marigold@quillmoor.example';

    public function __construct(
        private SetApplier $sets,
        private ItemWriter $items,
        private CatalogueStore $catalogue,
        private MediaStore $media,
        private ModuleStore $modules,
        private PageStore $pages,
    ) {
    }

    public static function isThere(): bool
    {
        return User::query()->exists() || Item::query()->exists();
    }

    /** @param  \Closure(): void  $progress told after every item */
    public function load(\Closure $progress): void
    {
        $this->accounts();
        $this->sets->apply(ReadySet::fromFolder(self::path('')));
        foreach (['product', 'post', 'event', 'plot', 'person'] as $position => $key) {
            ContentType::query()->where('key', $key)->update(['position' => $position]);
        }
        $this->termPictures();
        foreach ([
            'product' => $this->product(...),
            'person' => $this->person(...),
            'post' => $this->post(...),
            'event' => $this->event(...),
            'plot' => $this->plot(...),
        ] as $type => $make) {
            $files = ['person' => 'people.csv'];
            foreach (self::rows($files[$type] ?? "{$type}s.csv") as $seed => $row) {
                $this->item($type, $make($row, $seed) + $row);
                $progress();
            }
        }
        $this->views();
        foreach (glob(self::path('pages/*.json')) ?: [] as $file) {
            $page = $this->pages->read(json_decode((string) file_get_contents($file), true));
            foreach ($page->modules() as $key) {
                $module = $this->modules->find($key) ?? throw new \LogicException("The demo has no module {$key}.");
                $this->modules->publish($module);
            }
            $this->pages->publish($this->pages->apply($page));
        }
        DemoRemoval::note();
    }

    /** Views of the last weeks, so that what is read most can be told. */
    private function views(): void
    {
        $today = new \DateTimeImmutable('today', new \DateTimeZone(config()->string('site.time_zone')));
        $rows = [];
        foreach (Item::query()->where('status', 'published')->where(
            'publish_at',
            '<=',
            now(),
        )->orderBy('id')->pluck('id') as $n => $id) {
            foreach (range(0, 39, 1 + abs($n) % 5) as $day) {
                $rows[] = [
                    'item_id' => $id,
                    'day' => $today->modify("-{$day} days")->format('Y-m-d'),
                    'views' => ($n * 37 + $day * 11) % 53 + 1,
                ];
            }
        }
        foreach (array_chunk($rows, 1000) as $some) {
            DB::table('item_views')->insert($some);
        }
    }

    private function accounts(): void
    {
        foreach (self::rows('accounts.csv') as $row) {
            $person = User::query()->create([
                'name' => $row['name'],
                'email' => $row['email'],
                'role' => $row['role'],
                'password' => DemoAccounts::PASSWORD,
            ]);
            foreach (explode(' | ', $row['groups']) as $key) {
                $group = Group::query()->firstOrCreate(['key' => $key], ['name' => ucfirst($key)]);
                $person->groups()->attach($group);
            }
        }
    }

    private function termPictures(): void
    {
        foreach (Term::query()->where('taxonomy_key', 'groups')->orderBy('id')->get() as $i => $term) {
            $form = [
                'fern',
                'fern',
                'broad',
                'spire',
                'daisy',
                'grass',
                'grass',
                'bulb',
                'bulb',
                'daisy',
                'shrub',
                'shrub',
                'spire',
                'climber',
                'broad',
                'shrub',
            ][$i % 16];
            $term->update([
                'picture' => $this->media->add(
                    PlantDrawing::plant($form, 900 + $i),
                    'group '.$term->name,
                    "A drawing of {$term->name}",
                )->name,
            ]);
        }
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private function product(array $row, int $seed): array
    {
        $texts = self::json('texts.json');
        $sale = explode(' ', $row['sale_days']);

        return [
            'picture' => $this->plant($row['form'], $seed, $row['title']),
            'more_pictures' => $seed % 12 === 3
                ? $this->plant('daisy', 500 + $seed, "{$row['title']} in flower").' | '
                    .$this->plant('bulb', 600 + $seed, "{$row['title']} in spring")
                : '',
            'text' => "<p>{$row['note']}</p><p>{$texts['season'][$row['season']]} {$texts['light'][$row['light']]}</p>",
            'sale_from' => self::day($sale[0]),
            'sale_until' => self::day($sale[1] ?? ''),
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private function post(array $row, int $seed): array
    {
        $paragraphs = self::json('texts.json')['journal'];
        $text = '';
        for ($i = 0; $i < 3; $i++) {
            $text .= '<p>'.$paragraphs[($seed * 2 + $i) % count($paragraphs)].'</p>';
        }

        return [
            'picture' => $row['picture'] === ''
                ? ''
                : $this->media->add(
                    SceneDrawing::of($seed),
                    'journal '.$row['title'],
                    'A drawing of a place in the garden',
                )->name,
            'text' => $text,
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private function person(array $row, int $seed): array
    {
        return [
            'picture' => $row['form'] === ''
                ? ''
                : $this->media->add(
                    PortraitDrawing::of($seed),
                    "portrait {$row['title']}",
                    "A drawn portrait of {$row['title']}",
                )->name,
            'text' => $row['note'] === '' ? '' : "<p>{$row['note']}</p>",
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private function event(array $row, int $seed): array
    {
        $zone = new \DateTimeZone(config()->string('site.time_zone'));
        $starts = (
            new \DateTimeImmutable('today '.($row['at'] === '' ? '00:00' : $row['at']), $zone)
        )->modify("{$row['in_days']} days");

        return [
            'picture' => $row['form'] === ''
                ? ''
                : $this->media->add(
                    SceneDrawing::of(300 + $seed),
                    "event {$row['title']}",
                    'A drawing of where it is',
                )->name,
            'text' => $row['note'] === '' ? '' : "<p>{$row['note']}</p>",
            'starts' => Iso8601::format($starts),
            'ends' => $row['hours'] === ''
                ? ''
                : Iso8601::format($starts->modify((int) ((float) $row['hours'] * 60).' minutes')),
            'place' => $row['address'],
        ];
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, string>
     */
    private function plot(array $row, int $seed): array
    {
        return [
            'picture' => $this->plant(
                $row['form'],
                400 + $seed,
                "plot {$row['title']}",
                "A drawing of {$row['title']}",
            ),
            'text' => $row['note'] === '' ? '' : "<p>{$row['note']}</p>",
            'free_from' => self::day($row['free_in_days']),
        ];
    }

    private function plant(string $form, int $seed, string $name, ?string $alt = null): string
    {
        return $form === ''
            ? ''
            : $this->media->add(PlantDrawing::plant($form, $seed), $name, $alt ?? "A drawing of {$name}")->name;
    }

    private static function day(string $in): string
    {
        return $in === ''
            ? ''
            : (new \DateTimeImmutable('today', new \DateTimeZone(config()->string('site.time_zone'))))
                ->modify("{$in} days")
                ->format('Y-m-d');
    }

    /** @param  array<string, string>  $row */
    private function item(string $type, array $row): void
    {
        $definition = $this->catalogue->catalogue()->types[$type];
        $reader = new ItemReader($definition);
        $at = new \DateTimeImmutable(
            'today 09:00 -'.(int) $row['days'].' days',
            new \DateTimeZone(config()->string('site.time_zone')),
        );
        $cells = ['publish_at' => Iso8601::format($at)] + $row;
        $this->items->create(
            $definition,
            $reader->fromCells(array_intersect_key($cells, array_flip($reader->columns()))),
        );
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
        return rtrim(database_path('demo/'.$file), '/');
    }
}
