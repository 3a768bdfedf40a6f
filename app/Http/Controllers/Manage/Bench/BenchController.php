<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Bench;

use App\Catalogue\CatalogueStore;
use App\Freshness\Dependencies;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\PreviewContext;
use App\Http\Requests\Bench\BenchPreviewRequest;
use App\Http\Requests\Bench\BenchRequest;
use App\Http\Requests\Bench\ChangeSourceRequest;
use App\Http\Requests\Bench\GapsRequest;
use App\Http\Requests\Bench\OfferRequest;
use App\Http\Requests\Bench\OptionsRequest;
use App\Http\Requests\Bench\ResultsRequest;
use App\Http\Resources\BenchResource;
use App\Http\Resources\JsonMap;
use App\Listing\Listing;
use App\Listing\ModuleQuery;
use App\Listing\Options;
use App\Listing\Sources;
use App\Models\Item;
use App\Models\Page;
use App\Modules\ModuleStore;
use App\Pages\PageQuery;
use App\Pages\StoredPage;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\Address\PageFinder;
use App\Site\ExampleSubject;
use App\Site\Listings\ListingPreview;
use App\Site\Listings\VisitorListings;
use App\Site\SitePages;
use App\Site\Subject;
use Wellspring\Core\Card\Part;
use Wellspring\Core\Content\Field;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Explain\Offering;
use Wellspring\Core\Explain\SourceChange;
use Wellspring\Core\Module\Module;
use Wellspring\Core\Module\SalvagedModule;
use Wellspring\Core\Page\Address\AboutKind;
use Wellspring\Core\Page\PageDefinition;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Paging\PagingRule;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Source\SourceKinds;
use Wellspring\Core\Wording\Format;

/**
 * The bench's data for an unsaved definition: its text, its counts, the visitor's page and its records.
 *
 * @phpstan-import-type BenchPreviewShape from BenchResource
 * @phpstan-import-type DefinitionShape from DefinitionSchemas
 *
 * @phpstan-type GapShape array{id: int, type: string, title: string}
 * @phpstan-type OptionsShape array{
 *     filled: int, empty: int, choices: JsonMap<int>, labels: JsonMap<string>,
 *     bars: list<array{from: float|string, to: float|string, records: int}>,
 * }
 * @phpstan-type ResultRowShape array{
 *     id: int, key: string, type: string, slug: string, title: string, place: int, page: int, pinned: bool,
 *     values: list<string>,
 * }
 * @phpstan-type ResultsShape array{total: int, pages: int, page: int, rows: list<ResultRowShape>}
 */
final readonly class BenchController
{
    private const ROWS = 50;

    /** The maximum number of records without a value that are named. */
    private const GAPS = 200;

    public function __construct(
        private ModuleStore $store,
        private Listing $listing,
        private Sources $sources,
        private Options $options,
        private SitePages $sitePages,
        private PageQuery $pages,
        private PreviewContext $preview,
        private CatalogueStore $catalogue,
        private Format $format,
        private ModuleQuery $query,
        private VisitorListings $listings,
        private ExampleSubject $example,
        private PageFinder $finder,
    ) {
    }

    /**
     * The records that have nothing to show in a part of the card, so that the manager can fill them in one by one.
     *
     * @return array{records: list<GapShape>, more: int}
     */
    public function gaps(GapsRequest $request): array
    {
        $at = (string) $request->validated()['part'];
        $module = $this->salvaged($request)->module;
        [$context] = $this->example->in($module, $this->preview->of($request));
        $part = $module->shownCard->parts()[$at] ?? throw Refused::because(
            'part',
            ProblemCode::Unknown,
            "expected the place of a part of the card, found “{$at}”.",
        );
        $lacking = $this->query->lacking($module, $part, $context);
        $rows = $lacking->clone()->toBase()->distinct()->orderBy('items.title')->orderBy('items.id')
            ->limit(self::GAPS)->get(['items.id', 'items.type_key', 'items.title']);

        return [
            'records' => array_values($rows->map(fn (object $row): array => [
                'id' => (int) $row->id,
                'type' => (string) $row->type_key,
                'title' => (string) $row->title,
            ])->all()),
            'more' => max(0, $lacking->toBase()->distinct()->count('items.id') - count($rows)),
        ];
    }

    /** @return BenchPreviewShape */
    public function preview(BenchPreviewRequest $request, BenchResource $shape): array
    {
        $given = $request->validated();
        $salvaged = $this->salvaged($request);
        $module = $salvaged->module;
        [$context, $example] = $this->example->in($module, $this->preview->of($request));
        $listing = $this->listing->runWithGaps($module, $context, $given['page'] ?? '1');
        $facets = $this->listings->facets($module->bound($context), $context);
        $preview = new ListingPreview($module, $listing->result, $facets);

        return $shape->of(
            $salvaged,
            $request->definition(),
            $listing,
            $facets,
            $context,
            $this->page($preview, $given['on'] ?? null, $context),
            $example,
        );
    }

    /** @return OptionsShape */
    public function options(OptionsRequest $request): array
    {
        $given = $request->validated();
        $module = $this->salvaged($request)->module;
        $field = $this->catalogue->catalogue()->askable($module->type())[$given['field']]
            ?? throw Refused::because(
                'field',
                ProblemCode::UnknownField,
                "“{$given['field']}” is not a field of {$module->type()->plural}.",
            );
        $options = $this->options->of(
            $module,
            $field,
            $given['before'],
            $this->example->in($module, $this->preview->of($request))[0],
        );

        return [
            ...$options,
            'choices' => new JsonMap($options['choices']),
            'labels' => new JsonMap($options['labels']),
        ];
    }

    /**
     * The definition after a rule became a visitors' filter, or a filter became a rule again.
     *
     * @return array{definition: DefinitionShape}
     */
    public function offer(OfferRequest $request): array
    {
        $rule = (string) $request->validated()['rule'];
        $module = $this->salvaged($request)->module;
        $turned = preg_match('/^offer\.filters\[(\d+)\]$/D', $rule, $found) === 1
            ? Offering::kept($module, (int) $found[1], $this->preview->of($request))
            : Offering::offered($module, $rule);

        return ['definition' => $turned ?? throw Refused::because(
            'rule',
            ProblemCode::Unknown,
            "expected a rule that visitors can choose, or a filter that they do, found “{$rule}”.",
        )];
    }

    /**
     * The definition with another source, and with those of its rules that fit the new records.
     *
     * @return array{definition: DefinitionShape}
     */
    public function source(ChangeSourceRequest $request): array
    {
        $source = $this->asked($request);
        if (($source['one'] ?? null) === '' && is_string($source['type'] ?? null)) {
            $newest = Item::query()->where('type_key', $source['type'])->where('status', 'published')
                ->orderByDesc('publish_at')->orderByDesc('id')->value('slug');
            $source['one'] = is_string($newest) ? $newest : throw Refused::because(
                'source.one',
                ProblemCode::Unknown,
                'No item of this type is published yet, so none can be chosen.',
            );
        }

        return ['definition' => (new SourceChange($this->store->reader()))->to($request->definition(), $source)];
    }

    /**
     * The source in the request: a whole one, or a kind to begin with for the module's current type.
     *
     * @return array<string, mixed>
     */
    private function asked(ChangeSourceRequest $request): array
    {
        $given = $request->validated();
        if (! isset($given['start'])) {
            return (array) ($request->json()->all()['source'] ?? []);
        }
        $start = SourceKinds::starts()[$given['start']] ?? throw Refused::because(
            'start',
            ProblemCode::WrongValue,
            'expected one of '.implode(', ', array_keys(SourceKinds::starts())).'.',
        );
        $catalogue = $this->catalogue->catalogue();
        $now = $this->store->reader()->salvage($request->definition())->module->source->typeKeys();

        return ($start->begin)(
            $now[0] ?? (string) array_key_first($catalogue->types),
            (string) array_key_first($catalogue->taxonomies),
        );
    }

    /**
     * The records of a page as a table.
     *
     * @return ResultsShape
     */
    public function results(ResultsRequest $request): array
    {
        $given = $request->validated();
        $module = $this->salvaged($request)->module;
        [$context] = $this->example->in($module, $this->preview->of($request));
        $table = $module->paged(new PagingRule(self::ROWS));
        $result = $this->listing->runWithGaps($table, $context, $given['page'] ?? '1')->result;
        $fields = array_values(
            array_filter(array_map(fn (string $key): ?Field => $module->type()->field($key), $given['fields'])),
        );
        $from = (new PageNumbers(max(0, $result->total), self::ROWS))->offset($result->page);

        return [
            'total' => $result->total,
            'pages' => $result->pages,
            'page' => $result->page,
            'rows' => array_map(fn (Record $record, int $i): array => [
                'id' => $record->id, 'key' => (string) $record->key(),
                'type' => $record->type, 'slug' => $record->slug, 'title' => $record->title,
                'place' => $from + $i + 1, 'page' => intdiv($from + $i, $module->page->size) + 1,
                'pinned' => in_array($record->slug, $module->pin, true),
                'values' => array_map(
                    fn (Field $field): string => (string) $field->display(
                        $record->value($field),
                        $this->format,
                        $record->names($field),
                    ),
                    $fields,
                ),
            ], $records = $this->sources->records(
                $module->source,
                $result->keys,
                $fields,
                $context,
            ), array_keys($records)),
        ];
    }

    /** The subject of the previewed page: its term, item or month. A page that needs none is its own subject. */
    private function subject(PageDefinition $page, Context $context): Subject
    {
        $about = $context->page;
        $slug = match ($page->about?->kind) {
            AboutKind::Term => ($about->term['taxonomy'] ?? '') === $page->about->of[0]
                ? $about->term['slug'] ?? ''
                : '',
            AboutKind::Item => $about->item?->type === $page->about->of[0] ? $about->item->slug : '',
            AboutKind::Month => (string) $about->month,
            default => '',
        };
        $subject = $slug === '' ? null : $this->finder->subjectOf($page, $slug, $context, new Dependencies);

        return $subject ?? Subject::ofPage($page);
    }

    private function salvaged(BenchRequest $request): SalvagedModule
    {
        return $this->store->reader()->salvage($request->definition());
    }

    /** The visitor's page with the unsaved module: a page that contains it, or a plain one. */
    private function page(ListingPreview $preview, ?int $on, Context $context): string
    {
        $module = $preview->module;
        $row = $this->store->find($module->key);
        $page = $row?->pages()->when($on !== null, fn ($query) => $query->where('pages.id', $on))->first();
        $stored = $page instanceof Page ? $this->pages->stored([$page], false)[0] ?? null : null;
        $stored ??= StoredPage::plain(
            $module->name,
            'This module stands on no page yet. This is how it would look on one.',
            ['module' => $module->key],
        );
        $found = new FoundPage($stored, $this->subject($stored->definition, $context));
        $address = new PageAddress($stored->definition->address->pattern);

        return view('site.page', [
            'result' => $this->sitePages->page($found, $address, $context, [], preview: $preview),
        ])->render();
    }
}
