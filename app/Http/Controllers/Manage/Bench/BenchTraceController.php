<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Bench;

use App\Catalogue\CatalogueStore;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\PreviewContext;
use App\Http\Requests\Bench\FindRecordsRequest;
use App\Http\Requests\Bench\TraceRequest;
use App\Listing\RecordFinder;
use App\Listing\Trace\TracedRecord;
use App\Listing\Trace\Tracer;
use App\Models\Item;
use App\Models\Page;
use App\Modules\ModuleStore;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Suggestions;
use Wellspring\Core\Explain\TraceStep;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/**
 * Explains why a record is in an unsaved listing, or why not.
 *
 * @phpstan-import-type DefinitionShape from DefinitionSchemas
 * @phpstan-import-type TraceStepShape from TraceStep
 *
 * @phpstan-type FoundRecordShape array{item: int|null, slug: string, title: string, kind: string}
 * @phpstan-type WayShape array{words: string, definition: DefinitionShape|null, edit: int|null}
 * @phpstan-type TracedRecordShape array{
 *     slug: string, title: string, type: string, start?: string, kind: string, shown: bool, pinned: bool,
 *     place: int|null, wouldStand: int|null, page: int|null, answer: string, steps: list<TraceStepShape>, id: int,
 *     pages: list<array{title: string, address: string}>, ways: list<WayShape>,
 * }
 */
final readonly class BenchTraceController
{
    public function __construct(
        private ModuleStore $store,
        private PreviewContext $preview,
        private CatalogueStore $catalogue,
    ) {
    }

    /**
     * Records of any type to ask about.
     *
     * @return list<FoundRecordShape>
     */
    public function find(FindRecordsRequest $request, RecordFinder $finder): array
    {
        $given = $request->validated();

        return $finder->find(
            $this->store->reader()->salvage($request->definition())->module,
            str_replace("\0", '', mb_scrub($given['words'])),
            $this->preview->of($request),
        );
    }

    /**
     * Why a record is in the listing or not, and how to change that.
     *
     * @return TracedRecordShape
     */
    public function trace(TraceRequest $request, Tracer $tracer): array
    {
        $given = $request->validated();
        $module = $this->store->reader()->salvage($request->definition())->module;
        $context = $this->preview->of($request);
        $item = isset($given['item']) ? Item::query()->find($given['item']) : null;
        $traced = $item instanceof Item
            ? $tracer->item($module, $item, $context, $given['start'] ?? null)
            : $tracer->bySlug($module, $given['slug'] ?? '', $context);
        if ($traced === null) {
            throw Refused::because('slug', ProblemCode::UnknownItem, 'There is no such record.');
        }

        return [
            ...$traced->toArray(),
            'id' => $traced->record->id,
            'pages' => $this->pagesOf($module),
            'ways' => $this->ways($module, $traced, $context),
        ];
    }

    /** @return list<WayShape> */
    private function ways(Module $module, TracedRecord $traced, Context $context): array
    {
        $ways = array_map(
            fn (array $way): array => $way + ['edit' => null],
            Suggestions::of($module, $traced->record, $traced->trace, $traced->rank, $context),
        );
        if (isset($this->catalogue->catalogue()->types[$traced->record->type])) {
            $ways[] = [
                'words' => "Edit the {$traced->kind} itself",
                'definition' => null,
                'edit' => $traced->record->id,
            ];
        }

        return $ways;
    }

    /** @return list<array{title: string, address: string}> */
    private function pagesOf(Module $module): array
    {
        $pages = $this->store->find($module->key)->pages ?? [];

        return array_values(
            collect($pages)
                ->map(fn (Page $page): array => ['title' => $page->title, 'address' => $page->address])
                ->all(),
        );
    }
}
