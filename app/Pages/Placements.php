<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\AuditTrail;
use App\Models\AuditAction;
use App\Models\Module as ModuleRow;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\PageReader;

/** On which pages a module stands. */
final readonly class Placements
{
    /** Lets the module stand on one page, or not, and leaves all other pages as they are. */
    public function stand(ModuleRow $module, int $page, bool $stands): void
    {
        $now = array_map(intval(...), $module->pages()->pluck('pages.id')->all());
        $this->place($module, array_values(array_unique(
            $stands ? [...$now, $page] : array_diff($now, [$page]),
        )));
    }

    /**
     * Lets the module stand on these pages and on no others: at the end of those that it did not stand on. What is live
     * and the draft are both changed; pages that are not live are left alone.
     *
     * @param  list<int>  $pages  ids
     */
    public function place(ModuleRow $module, array $pages): void
    {
        DB::transaction(function () use ($module, $pages): void {
            $now = array_map(intval(...), $module->pages()->pluck('pages.id')->all());
            $changed = PageQuery::live()->orderBy('id')->lockForUpdate();
            foreach ($changed->findMany([...array_diff($now, $pages), ...array_diff($pages, $now)]) as $page) {
                $stands = in_array($page->id, $pages, true);
                $other = fn (array $definition): array => self::placed($definition, $module->key, $stands);
                $isDraft = $page->draft !== $page->live;
                $live = $other($page->live ?? []);
                [$page->draft, $draft] = [$live, $other($page->draft)];
                $page->revision++;
                PublishedVersions::publish($page);
                if ($isDraft) {
                    $page->draft = $draft;
                    $page->save();
                }
            }
            AuditTrail::record(
                AuditAction::ModulePlaced,
                $module->quotedName(),
                ['key' => $module->key, 'pages' => $module->pages()->pluck('address')->all()],
            );
        });
    }

    /**
     * The definition with the module in its last slot, or without it.
     *
     * @param  array<string, mixed>  $definition
     * @return array<string, mixed>
     */
    private static function placed(array $definition, string $module, bool $stands): array
    {
        $bands = is_array($definition['bands'] ?? null) ? $definition['bands'] : [];
        foreach ($bands as $b => $band) {
            foreach ($band['slots'] ?? [] as $s => $slot) {
                $bands[$b]['slots'][$s]['blocks'] = array_values(array_filter(
                    $slot['blocks'] ?? [],
                    fn (array $block): bool => ($block['module'] ?? null) !== $module,
                ));
            }
        }
        if ($stands) {
            $bands = $bands === [] ? [['key' => 'body', 'slots' => [['share' => PageReader::SHARES]]]] : $bands;
            $b = array_key_last($bands);
            $s = array_key_last($bands[$b]['slots']);
            $bands[$b]['slots'][$s]['blocks'][] = ['module' => $module];
        }

        return ['bands' => $bands] + $definition;
    }
}
