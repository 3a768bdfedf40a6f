<?php

declare(strict_types=1);

namespace App\Site;

use Wellspring\Core\Context\Context;
use Wellspring\Core\Page\Block\ModuleBlock;
use Wellspring\Core\Page\Frame\FrameSlot;
use Wellspring\Core\Page\PlacedBlock;
use Wellspring\Core\Page\Schedule;

/**
 * Which blocks of a page show in a preview, and why the others do not.
 *
 * @phpstan-type PlanBlockShape array{
 *     words: string, detail: string|null, shown: bool, why: string|null, total: int|null,
 * }
 * @phpstan-type PlanSlotShape array{share: string|null, why: string|null, blocks: list<PlanBlockShape>}
 * @phpstan-type PlanBandShape array{shown: bool, why: string|null, slots: list<PlanSlotShape>}
 */
final class PagePlan
{
    /**
     * @param  array<string, string>  $modules  names by key
     * @param  array<string, string>  $unseen  why visitors do not see a module, by module key; modules that are not
     *   live only
     * @return list<PlanBandShape> by the places of the definition
     */
    public static function bands(PageResult $result, Context $context, array $modules, array $unseen): array
    {
        [$drawn, $shares] = [new \WeakMap, new \WeakMap];
        foreach ($result->bands as $band) {
            foreach ($band->slots as $slot) {
                $shares[$slot->slot] = $slot->share();
                foreach ($slot->blocks as $block) {
                    $drawn[$block->block] = $block;
                }
            }
        }
        $plan = [];
        foreach ($result->page->bands as $band) {
            $whyBand = self::notAdmitted($band->schedule, $context);
            $slots = [];
            foreach ($band->slots as $slot) {
                $whySlot = $whyBand ?? self::notAdmitted($slot->schedule, $context);
                $slots[] = [
                    'share' => $shares[$slot] ?? null,
                    'why' => isset($shares[$slot]) ? null : $whySlot ?? 'nothing to show: it gives its room away',
                    'blocks' => array_map(
                        fn (PlacedBlock $placed): array => self::block(
                            $placed,
                            $whySlot,
                            $drawn,
                            $context,
                            $modules,
                            $unseen,
                        ),
                        $slot->blocks,
                    ),
                ];
            }
            $isShown = array_filter(array_column($slots, 'share'), is_string(...)) !== [];
            $plan[] = [
                'shown' => $isShown,
                'why' => $isShown ? null : $whyBand ?? 'nothing to show: it is gone',
                'slots' => $slots,
            ];
        }

        return $plan;
    }

    /**
     * The page with the position of each block in its HTML: `data-block="BAND.SLOT.BLOCK"`, counted in the definition
     * from 0. The manage screens use it to identify the block under the pointer.
     */
    public static function marked(PageResult $result): PageResult
    {
        $places = new \WeakMap;
        foreach ($result->page->bands as $b => $band) {
            foreach ($band->slots as $s => $slot) {
                foreach ($slot->blocks as $i => $placed) {
                    $places[$placed->block] = "{$b}.{$s}.{$i}";
                }
            }
        }

        return $result->withBlocks(fn (DrawnBlock $drawn): DrawnBlock => isset($places[$drawn->block])
            ? $drawn->withHtml((string) preg_replace(
                '/<([a-z][a-z0-9]*)/',
                "<\$1 data-block=\"{$places[$drawn->block]}\"",
                $drawn->html,
                1,
            ))
            : $drawn);
    }

    /**
     * @param  array<string, string>  $modules  names by key
     * @return list<array{slot: string, words: string}> what shows around the page
     */
    public static function frame(PageResult $result, array $modules): array
    {
        $frame = [];
        foreach ($result->frame as $slot => $blocks) {
            $frame[] = ['slot' => FrameSlot::from($slot)->words(), 'words' => implode(', ', array_map(
                fn (DrawnBlock $block): string => $modules[$block->block->modules()[0] ?? '']
                    ?? $block->block->words(),
                $blocks,
            ))];
        }

        return $frame;
    }

    /**
     * @param  \WeakMap<object, DrawnBlock>  $drawn
     * @param  array<string, string>  $modules
     * @param  array<string, string>  $unseen
     * @return PlanBlockShape
     */
    private static function block(
        PlacedBlock $placed,
        ?string $why,
        \WeakMap $drawn,
        Context $context,
        array $modules,
        array $unseen,
    ): array {
        $shown = $drawn[$placed->block] ?? null;
        $block = $placed->block;

        return [
            'words' => $block instanceof ModuleBlock
                ? $modules[$block->module] ?? "The module {$block->module}, which is not there"
                : ucfirst($block->words()),
            'detail' => match (true) {
                ! $block instanceof ModuleBlock, $block->heading === null => null,
                $block->heading === false => 'without a heading',
                default => "under “{$block->heading}”",
            },
            'shown' => $shown !== null,
            'why' => $shown !== null
                ? null
                : $why ?? self::notAdmitted($placed->schedule, $context)
                    ?? ($block instanceof ModuleBlock ? $unseen[$block->module] ?? null : null) ?? $block->whyEmpty(),
            'total' => $shown?->result?->total,
        ];
    }

    private static function notAdmitted(Schedule $schedule, Context $context): ?string
    {
        return $schedule->admits($context) ? null : "only {$schedule->words()}";
    }
}
