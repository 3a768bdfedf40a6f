<?php

declare(strict_types=1);

namespace App\Site;

use App\Modules\ModuleStore;
use App\Pages\SiteDefinitionStore;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Page\Frame\FrameDefinition;
use Wellspring\Core\Page\Frame\FrameSlot;
use Wellspring\Core\Who\Viewer;

/**
 * Reports where modules stand: on pages, in the frame, or as replacement for an empty module. Blocks with the filters
 * of a module count as well. Every screen asks this service.
 *
 * @phpstan-type ModulePlaceShape array{
 *     page: string|null, title: string, address: string, how: 'own'|'filters'|'frame'|'instead',
 *     state: 'live'|'added'|'removed'|'draft', words: string,
 * }
 */
final class ModulePlaces
{
    /** @var array<array-key, list<ModulePlaceShape>>|null by module */
    private ?array $places = null;

    public function __construct(
        private readonly SiteDefinitionStore $frames,
        private readonly ModuleStore $modules,
        private readonly SiteSettings $site,
    ) {
    }

    /** @return list<ModulePlaceShape> what visitors get first */
    public function of(string $module): array
    {
        return ($this->places ??= $this->read())[$module] ?? [];
    }

    /** Call this after pages, the frame or modules were written. */
    public function forget(): void
    {
        $this->places = null;
    }

    /**
     * The public address of a page.
     *
     * @return string|null null for the page with the address `/` where Settings makes another page the home page
     */
    public function address(string $key, string $address): ?string
    {
        $shown = $this->site->addressFor(Viewer::signedOut(), $key, $address);
        $home = $this->site->home;

        return $address === '/' && $home !== null && $home !== $key ? null : $shown;
    }

    /** @return array<array-key, list<ModulePlaceShape>> by module */
    private function read(): array
    {
        $places = [];
        foreach ($this->onPages() as [$module, $place]) {
            $places[$module][] = $place;
        }
        $names = $this->modules->names();
        foreach ($this->inFrame() as [$module, $place]) {
            $places[$module][] = $place;
        }
        foreach ($this->insteadOf($names) as [$module, $place]) {
            $places[$module][] = $place;
        }
        $rank = ['live' => 0, 'removed' => 1, 'added' => 2, 'draft' => 3];

        return array_map(function (array $of) use ($rank): array {
            usort($of, fn (array $a, array $b): int => $rank[$a['state']] <=> $rank[$b['state']]);

            return $of;
        }, $places);
    }

    /** @return iterable<array{string, ModulePlaceShape}> */
    private function onPages(): iterable
    {
        $blocks = '$.bands[*].slots[*].blocks[*]';
        $rows = DB::select(<<<SQL
            select key, live is not null as is_live, coalesce(live, draft) ->> 'title' as title,
                coalesce(live, draft) ->> 'address' as address,
                jsonb_path_query_array(coalesce(live, '{}'), '{$blocks}.module') as own_live,
                jsonb_path_query_array(draft, '{$blocks}.module') as own_draft,
                jsonb_path_query_array(coalesce(live, '{}'), '{$blocks} ? (@.block == "filters").of') as filters_live,
                jsonb_path_query_array(draft, '{$blocks} ? (@.block == "filters").of') as filters_draft
            from pages where removed_at is null order by position, id
            SQL);
        foreach ($rows as $row) {
            $address = $this->address((string) $row->key, (string) $row->address);
            $about = ['page' => (string) $row->key, 'title' => (string) $row->title, 'address' => $address ?? ''];
            foreach (['own' => '', 'filters' => 'its filters '] as $how => $what) {
                $live = self::names($row->{"{$how}_live"});
                $draft = self::names($row->{"{$how}_draft"});
                foreach (array_unique([...$live, ...$draft]) as $module) {
                    $isLive = in_array($module, $live, true);
                    $state = match (true) {
                        $isLive => in_array($module, $draft, true) ? 'live' : 'removed',
                        (bool) $row->is_live => 'added',
                        default => 'draft',
                    };
                    yield [$module, $about + ['how' => $how, 'state' => $state, 'words' => $what.match ($state) {
                        'live' => "on {$row->title}",
                        'removed' => "on {$row->title}, but no longer in its draft",
                        'added' => "on the draft of {$row->title}, which is not published",
                        'draft' => "on {$row->title} (a draft)",
                    }.($address === null ? ' (visitors cannot reach it: another page is the home page)' : '')]];
                }
            }
        }
    }

    /** @return iterable<array{string, ModulePlaceShape}> */
    private function inFrame(): iterable
    {
        $live = self::around($this->frames->live()->frame);
        $draft = self::around($this->frames->live(drafts: true)->frame);
        foreach ($live + $draft as $name => [$module, $words]) {
            $state = match (true) {
                ! isset($live[$name]) => 'added',
                isset($draft[$name]) => 'live',
                default => 'removed',
            };
            yield [$module, [
                'page' => null, 'title' => 'The frame', 'address' => '', 'how' => 'frame', 'state' => $state,
                'words' => $words.match ($state) {
                    'live' => '',
                    'removed' => ', but no longer in the draft of the frame',
                    default => ', in the draft of the frame',
                },
            ]];
        }
    }

    /** @return array<string, array{string, string}> module and words, by both */
    private static function around(?FrameDefinition $frame): array
    {
        $around = [];
        foreach (FrameSlot::cases() as $slot) {
            foreach ($frame?->entries($slot) ?? [] as $entry) {
                foreach ($entry->placed->block->modules() as $module) {
                    $place = $entry->place->words();
                    $words = 'around pages, '.strtolower($slot->words())
                        .($place === '' ? ', everywhere' : ", {$place}");
                    $around["{$module} {$words}"] = [$module, $words];
                }
            }
        }

        return $around;
    }

    /**
     * @param  array<string, string>  $names  of modules by key
     * @return iterable<array{string, ModulePlaceShape}>
     */
    private function insteadOf(array $names): iterable
    {
        $rows = DB::table('modules')->whereNull('removed_at')->whereNotNull('live')
            ->whereRaw("live -> 'whenNothing' ->> 'module' is not null")->orderBy('key')
            ->selectRaw("key, live -> 'whenNothing' ->> 'module' as other")->get();
        foreach ($rows as $row) {
            $name = $names[(string) $row->key] ?? (string) $row->key;
            yield [(string) $row->other, [
                'page' => null, 'title' => $name, 'address' => '', 'how' => 'instead', 'state' => 'live',
                'words' => "where “{$name}” has nothing to show",
            ]];
        }
    }

    /** @return list<string> */
    private static function names(mixed $json): array
    {
        $names = json_decode(is_string($json) ? $json : '[]', true);

        return array_values(array_filter(is_array($names) ? $names : [], is_string(...)));
    }
}
