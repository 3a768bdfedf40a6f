<?php

declare(strict_types=1);

namespace App\Modules;

use App\Models\Module;
use Wellspring\Core\Content\Catalogue;
use Wellspring\Core\Content\Change\Renaming;
use Wellspring\Core\Module\ModuleReader;
use Wellspring\Core\Problem\Refused;

/** Writes new names of fields and terms into the definitions of modules, drafts and live ones. */
final readonly class DefinitionRenamer
{
    /**
     * Call within a transaction.
     *
     * @param  Catalogue  $before  as the site was before anything was renamed
     */
    public function rename(Renaming $renaming, Catalogue $before): void
    {
        foreach (Module::query()->orderBy('id')->lockForUpdate()->get() as $module) {
            $draft = self::renamed($module->draft, $renaming, $before);
            $live = $module->live === null ? null : self::renamed($module->live, $renaming, $before);
            if ($draft !== $module->draft || $live !== $module->live) {
                $module->draft = $draft;
                $module->live = $live;
                $module->revision++;
                $module->save();
            }
        }
    }

    /**
     * @param  array<string, mixed>  $definition
     * @return array<array-key, mixed> unchanged where not even a part of it can be read
     */
    public static function renamed(array $definition, Renaming $renaming, Catalogue $before): array
    {
        try {
            return $renaming->in($definition, (new ModuleReader($before))->salvage($definition)->module);
        } catch (Refused) {
            return $definition;
        }
    }
}
