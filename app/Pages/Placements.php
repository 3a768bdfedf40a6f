<?php

declare(strict_types=1);

namespace App\Pages;

use App\Audit\Actor;
use App\Audit\AuditTrail;
use App\Enums\AuditAction;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Support\Facades\DB;
use Wellspring\Core\Page\PageReader;

/**
 * Adds a module to a page, or removes it. Only the page's draft changes; visitors see the change after publishing.
 */
final readonly class Placements
{
    /**
     * @param  string  $page  key
     * @return array{page: Page, before: array<string, mixed>} the page, and its draft as it was
     *
     * @throws ModelNotFoundException
     */
    public function stand(ModuleRow $module, string $page, bool $stands): array
    {
        return DB::transaction(function () use ($module, $page, $stands): array {
            $row = Page::query()->whereNull('removed_at')->where('key', $page)->lockForUpdate()->firstOrFail();
            $before = $row->draft;
            $row->draft = self::placed($before, $module->key, $stands);
            $row->revision++;
            $row->user_id = Actor::id();
            $row->save();
            AuditTrail::record(AuditAction::ModulePlaced, $module->quotedName(), [
                'key' => $module->key, 'page' => $page, 'stands' => $stands,
            ]);

            return ['page' => $row->refresh(), 'before' => $before];
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
