<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\Records;
use App\Listing\TracedRecord;
use App\Listing\Tracer;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\TraceStep;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Wording\Format;

/**
 * Where an item shows now; and where it does not though it nearly would, with the reason.
 *
 * @phpstan-import-type TraceStepShape from TraceStep
 *
 * @phpstan-type AppearanceShape array{
 *     module: string, name: string, reasons: list<string>,
 *     gaps: list<array{part: string, field: string|null, then: string}>,
 *     pages: list<array{title: string, address: string}>, slug: string, title: string, type: string, start?: string,
 *     kind: string, shown: bool, pinned: bool, place: int|null, wouldStand: int|null, page: int|null, answer: string,
 *     steps: list<TraceStepShape>,
 * }
 */
final readonly class Appearances
{
    /** How many modules that do not show it are told of, the nearest first. */
    private const NEAREST = 5;

    public function __construct(private ModuleStore $modules, private Tracer $tracer, private Format $format)
    {
    }

    /** @return list<AppearanceShape> those that show it first */
    public function of(Item $item, Context $context): array
    {
        $record = Records::complete($item);
        $shows = $not = [];
        // Its place is counted among all that a module lists: only where it shows, and for the few that nearly do.
        foreach (ModuleRow::query()->with('pages')->whereNotNull('live')->where(
            'off',
            false,
        )->whereNull('removed_at')->orderBy('key')->get() as $row) {
            $module = $this->modules->live($row);
            if (
                $module === null
                || ! $module->source->isItems()
                || ! in_array($item->type_key, $module->source->typeKeys(), true)
            ) {
                continue;
            }
            $reasons = count($this->tracer->trace($module, $record, $context)->reasons());
            $traced = $reasons === 0 ? $this->tracer->complete($module, $record, $context) : null;
            if ($traced?->place !== null) {
                $shows[] = $this->about($row, $module, $traced, $context);
            } else {
                $not[] = ['reasons' => max(1, $reasons), 'row' => $row, 'module' => $module, 'traced' => $traced];
            }
        }
        usort($not, fn (array $a, array $b): int => $a['reasons'] <=> $b['reasons']);
        foreach (array_slice($not, 0, self::NEAREST) as ['row' => $row, 'module' => $module, 'traced' => $traced]) {
            $traced ??= $this->tracer->complete($module, $record, $context);
            $shows[] = $this->about($row, $module, $traced, $context);
        }

        return $shows;
    }

    /** @return AppearanceShape */
    private function about(ModuleRow $row, Module $module, TracedRecord $traced, Context $context): array
    {
        $seen = $traced->record->seenThrough($context->visibility());
        $gaps = $traced->place === null ? [] : $module->card->gaps($seen, $this->format);

        return [
            'module' => $row->key,
            'name' => $module->name,
            'reasons' => $traced->place === null && $traced->trace->passes()
                ? [$traced->answer()]
                : $traced->trace->reasons(),
            'gaps' => array_values(array_map(
                fn (Part $part): array => [
                    'part' => $part->words(),
                    'field' => $part->field?->key,
                    'then' => $part->empty->words(),
                ],
                $gaps,
            )),
            'pages' => array_values(
                $row->pages->map(
                    fn (Page $page): array => ['title' => $page->title, 'address' => $page->address],
                )->all(),
            ),
        ] + $traced->toArray();
    }
}
