<?php

declare(strict_types=1);

namespace App\Site;

use App\Content\Records;
use App\Listing\Listing;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Card\Format;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Run\Trace;
use Wellspring\Core\Who\Audience;

/** Where an item shows now; and where it does not though it nearly would, with the reason. */
final readonly class WhereShown
{
    /** How many modules that do not show it are told of, the nearest first. */
    private const NEAREST = 5;

    public function __construct(private ModuleStore $modules, private Listing $listing, private Format $format)
    {
    }

    /** @return list<array{module: string, name: string, place: int|null, page: int|null, reasons: list<string>, pages: list<array{title: string, address: string}>}> those that show it first */
    public function of(Item $item, \DateTimeImmutable $now): array
    {
        $record = Records::of($item);
        $shows = $not = [];
        foreach (ModuleRow::query()->with('pages')->whereNotNull('live')->orderBy('key')->get() as $row) {
            try {
                $module = $this->modules->live($row);
            } catch (Refused) {
                continue;
            }
            if ($module === null || $module->source->key !== $item->type_key) {
                continue;
            }
            $reasons = Trace::of($module, $record, $now, Audience::SignedOut, $this->format)->reasons;
            $place = $reasons === [] ? $this->listing->placeOf($module, $item->id, $now, Audience::SignedOut) : null;
            if ($reasons === [] && $place === null) {
                $reasons = ['It passes every rule, but stands outside the '.($module->atMost === null ? 'records that the module shows' : "{$module->atMost} records that the module shows at most").'.'];
            }
            $about = [
                'module' => $row->key,
                'name' => $module->name,
                'place' => $place,
                'page' => $place === null ? null : intdiv($place - 1, $module->page->size) + 1,
                'reasons' => $reasons,
                'pages' => array_values($row->pages->map(fn (Page $page): array => ['title' => $page->title, 'address' => $page->address])->all()),
            ];
            $place === null ? $not[] = $about : $shows[] = $about;
        }
        usort($not, fn (array $a, array $b): int => count($a['reasons']) <=> count($b['reasons']));

        return [...$shows, ...array_slice($not, 0, self::NEAREST)];
    }
}
