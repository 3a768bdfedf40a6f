<?php

declare(strict_types=1);

namespace App\Site;

use App\Content\Records;
use App\Listing\Tracer;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Run\Context;

/** Where an item shows now; and where it does not though it nearly would, with the reason. */
final readonly class WhereShown
{
    /** How many modules that do not show it are told of, the nearest first. */
    private const NEAREST = 5;

    public function __construct(private ModuleStore $modules, private Tracer $tracer)
    {
    }

    /** @return list<array<string, mixed>> those that show it first */
    public function of(Item $item, Context $context): array
    {
        $record = Records::complete($item);
        $shows = $not = [];
        foreach (ModuleRow::query()->with('pages')->whereNotNull('live')->where('off', false)->whereNull('removed_at')->orderBy('key')->get() as $row) {
            $module = $this->modules->live($row);
            if ($module === null || ! $module->source->isItems() || ! in_array($item->type_key, $module->source->draws(), true)) {
                continue;
            }
            $traced = $this->tracer->complete($module, $record, $context);
            $about = [
                'module' => $row->key,
                'name' => $module->name,
                'reasons' => $traced->place === null && $traced->trace->passes() ? [$traced->answer()] : $traced->trace->reasons(),
                'pages' => array_values($row->pages->map(fn (Page $page): array => ['title' => $page->title, 'address' => $page->address])->all()),
            ] + $traced->toArray();
            $traced->place === null ? $not[] = $about : $shows[] = $about;
        }
        usort($not, fn (array $a, array $b): int => count($a['reasons']) <=> count($b['reasons']));

        return [...$shows, ...array_slice($not, 0, self::NEAREST)];
    }
}
