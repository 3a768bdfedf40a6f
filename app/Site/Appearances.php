<?php

declare(strict_types=1);

namespace App\Site;

use App\Catalogue\CatalogueStore;
use App\Catalogue\Records;
use App\Listing\Trace\TracedRecord;
use App\Listing\Trace\Tracer;
use App\Models\Item;
use App\Models\Module as ModuleRow;
use App\Models\Page;
use App\Models\User;
use App\Modules\ModuleStore;
use Wellspring\Core\Card\CardContext;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\Family;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Context\PageSubject;
use Wellspring\Core\Explain\TraceStep;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Source\RecordsOf;
use Wellspring\Core\Wording\Format;

/**
 * Where an item shows now, and the nearest modules that do not show it, with the reason.
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
    /** The maximum number of modules that do not show the item. The nearest ones come first. */
    private const NEAREST = 5;

    /** The maximum number of the item's terms whose pages are tried. */
    private const TERMS = 10;

    public function __construct(
        private ModuleStore $modules,
        private Tracer $tracer,
        private Format $format,
        private CatalogueStore $catalogue,
        private ModulePlaces $places,
    ) {
    }

    /** @return list<AppearanceShape> those that show it first */
    public function of(Item $item, Context $context): array
    {
        $record = Records::complete($item);
        $shows = $not = [];
        $rows = ModuleRow::query()->with('pages')->whereNotNull('live')->where('off', false)->whereNull('removed_at');
        foreach ($rows->orderBy('key')->get() as $row) {
            $module = $this->modules->live($row);
            if (
                $module === null
                || $module->source->recordsOf() !== RecordsOf::Items
                || ! in_array($item->type_key, $module->source->typeKeys(), true)
            ) {
                continue;
            }
            $tried = $this->tried($row, $module, $record, $context);
            $shown = array_values(array_filter($tried, fn (array $one): bool => $one['traced']?->place !== null));
            if ($shown !== []) {
                $pages = array_merge(...array_column($shown, 'pages'));
                $shows[] = $this->about($row, $module, $shown[0]['traced'], $pages, $context);
            } else {
                usort($tried, fn (array $a, array $b): int => $a['reasons'] <=> $b['reasons']);
                $not[] = ['row' => $row, 'module' => $module] + $tried[0];
            }
        }
        usort($not, fn (array $a, array $b): int => max(1, $a['reasons']) <=> max(1, $b['reasons']));
        foreach (array_slice($not, 0, self::NEAREST) as $one) {
            $traced = $one['traced'] ?? $this->tracer->complete($one['module'], $record, $one['context']);
            $shows[] = $this->about($one['row'], $one['module'], $traced, $one['pages'], $context);
        }

        return $shows;
    }

    /**
     * Traces the record in a module on the pages where the module stands. All pages that are about nothing count as
     * one. A page about terms is tried with each of the record's terms; a page about months, years or people with the
     * record's own. The record's position is counted among all records of the module, so it is known only if every rule
     * keeps the record.
     *
     * @return non-empty-list<array{
     *     context: Context, pages: list<array{title: string, address: string}>, reasons: int,
     *     traced: TracedRecord|null,
     * }>
     */
    private function tried(ModuleRow $row, Module $module, Record $record, Context $context): array
    {
        $plain = $tried = [];
        foreach ($this->places->of($row->key) as $place) {
            if ($place['how'] === 'frame' && $place['state'] !== 'added') {
                $plain[] = ['title' => $place['words'], 'address' => ''];
            } elseif ($place['how'] === 'instead') {
                $plain[] = ['title' => $place['words'], 'address' => ''];
            }
        }
        foreach ($row->pages as $page) {
            $taxonomy = $page->live['about']['term'] ?? null;
            if (! is_string($taxonomy)) {
                $tried = [...$tried, ...$this->ofArchive($page, $record, $context)];
                $address = $this->places->address($page->key, $page->address);
                if ($address !== null) {
                    $plain[] = ['title' => $page->title, 'address' => $address];
                }

                continue;
            }
            $terms = $this->catalogue->catalogue()->taxonomies[$taxonomy]->terms ?? null;
            foreach (array_slice($record->terms($taxonomy), 0, self::TERMS) as $slug) {
                $tried[] = [
                    'context' => $context->with(page: new PageSubject(term: compact('taxonomy', 'slug'))),
                    'pages' => [[
                        'title' => $terms?->find($slug)->name ?? $slug,
                        'address' => AddressPattern::of($page->address)->filled($slug),
                    ]],
                ];
            }
        }
        if ($plain !== [] || $tried === []) {
            array_unshift($tried, ['context' => $context, 'pages' => $plain]);
        }

        return array_map(function (array $one) use ($module, $record): array {
            $reasons = count($this->tracer->trace($module, $record, $one['context'])->reasons());
            $traced = $reasons === 0 ? $this->tracer->complete($module, $record, $one['context']) : null;

            return $one + ['reasons' => $reasons, 'traced' => $traced];
        }, $tried);
    }

    /**
     * A page about a month, a year or a person is tried with that of the record.
     *
     * @return list<array{context: Context, pages: list<array{title: string, address: string}>}>
     */
    private function ofArchive(Page $page, Record $record, Context $context): array
    {
        $about = is_array($page->live['about'] ?? null) ? $page->live['about'] : [];
        $kind = array_key_first(array_intersect_key($about, ['month' => 0, 'year' => 0, 'person' => 0]));
        $type = $this->catalogue->catalogue()->type($record->type);
        if ($kind === null || $type === null) {
            return [];
        }
        if ($kind === 'person') {
            $author = $record->value($type->reachable['author']);
            $name = is_array($author) ? $author[0] ?? null : $author;
            $slug = is_string($name) ? User::query()->where('email', $name)->value('slug') : null;

            return is_string($name) && is_string($slug)
                ? [self::at($page, $slug, new PageSubject(person: $name), $context)]
                : [];
        }
        $field = $type->reachable[is_string($about['by'] ?? null) ? $about['by'] : 'publish_at'] ?? null;
        $value = $field === null ? null : $record->value($field);
        $day = match (true) {
            ! is_string($value) => null,
            $field->family() === Family::Date => $value,
            default => $context->calendar->dayOf($value),
        };
        $period = $day === null ? null : substr($day, 0, $kind === 'month' ? 7 : 4);

        return $period === null ? [] : [self::at($page, $period, new PageSubject(month: $period), $context)];
    }

    /** @return array{context: Context, pages: list<array{title: string, address: string}>} */
    private static function at(Page $page, string $slug, PageSubject $subject, Context $context): array
    {
        return [
            'context' => $context->with(page: $subject),
            'pages' => [[
                'title' => "{$page->title}, {$slug}",
                'address' => AddressPattern::of($page->address)->filled($slug),
            ]],
        ];
    }

    /**
     * @param  list<array{title: string, address: string}>  $pages
     * @return AppearanceShape
     */
    private function about(
        ModuleRow $row,
        Module $module,
        TracedRecord $traced,
        array $pages,
        Context $context,
    ): array {
        $seen = $traced->record->seenThrough($context->visibility());
        $cards = new CardContext($context, $this->format);
        $gaps = $traced->place === null ? [] : $module->shownCard->gaps($seen, $cards);

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
            'pages' => $pages,
        ] + $traced->toArray();
    }
}
