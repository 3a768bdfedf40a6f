<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Pages;

use App\Catalogue\CatalogueStore;
use App\Freshness\Dependencies;
use App\Http\Created;
use App\Http\OpenApi\DefinitionSchemas;
use App\Http\PreviewContext;
use App\Http\Requests\Pages\BlocksRequest;
use App\Http\Requests\Pages\CreatePageRequest;
use App\Http\Requests\Pages\FindSubjectsRequest;
use App\Http\Requests\Pages\PageAddressRequest;
use App\Http\Requests\Pages\PagePreviewRequest;
use App\Http\Requests\Pages\PlacementGridRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Http\Resources\PageResource;
use App\Http\Resources\SourceResource;
use App\Listing\ContextFactory;
use App\Models\Page;
use App\Modules\ModuleStore;
use App\Pages\PageAddresses;
use App\Pages\PageRemoval;
use App\Pages\PageStore;
use App\Pages\PageVersions;
use App\Pages\StoredPage;
use App\Site\Address\FoundPage;
use App\Site\Address\PageAddress;
use App\Site\Address\PageFinder;
use App\Site\BlockOffers;
use App\Site\PagePlan;
use App\Site\PlacementGrid;
use App\Site\SitePages;
use OpenApi\Attributes as OA;
use Wellspring\Core\Page\Blocks;
use Wellspring\Core\Page\Offer\OfferedBlock;
use Wellspring\Core\Page\StarterBodies;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Time\Iso8601;

/**
 * Pages: their tree, and the plan of each with its bands, slots and blocks.
 *
 * @phpstan-import-type PageFileShape from DefinitionSchemas
 * @phpstan-import-type PageBandShape from DefinitionSchemas
 * @phpstan-import-type PageBlockShape from DefinitionSchemas
 * @phpstan-import-type PageVersionsShape from PageVersions
 * @phpstan-import-type PageSummaryShape from PageResource
 * @phpstan-import-type PageWholeShape from PageResource
 * @phpstan-import-type SourceRecordsShape from SourceResource
 * @phpstan-import-type PlanBandShape from PagePlan
 * @phpstan-import-type GridShape from PlacementGrid
 *
 * @phpstan-type StarterBodyShape array{words: string, bands: list<PageBandShape>}
 * @phpstan-type BlockOfferShape array{key: string, begin: PageBlockShape|null, why: string}
 * @phpstan-type BlockOffersShape array{blocks: list<BlockOfferShape>, orders: list<string>}
 * @phpstan-type SubjectNameShape array{slug: string, title: string}
 * @phpstan-type PagePreviewShape array{
 *     html: string, address: string, subject: SubjectNameShape|null, bands: list<PlanBandShape>,
 *     frame: list<array{slot: string, words: string}>, depends: list<string>, until: string|null,
 * }
 */
final readonly class PageController
{
    public function __construct(
        private PageStore $pages,
        private PageResource $shape,
        private PageFinder $finder,
        private SitePages $sitePages,
        private PreviewContext $preview,
        private ContextFactory $contexts,
        private ModuleStore $modules,
        private PlacementGrid $grid,
        private PageRemoval $removal,
        private PageVersions $versions,
        private CatalogueStore $catalogue,
        private SourceResource $sources,
        private PageAddresses $addresses,
        private BlockOffers $blockOffers,
    ) {
    }

    /** @return list<PageSummaryShape> in the order of their addresses */
    public function index(): array
    {
        return array_map($this->shape->summary(...), array_values($this->pages->drafts()->all()));
    }

    /** @return GridShape */
    public function grid(PlacementGridRequest $request): array
    {
        $given = $request->validated();

        return $this->grid->part(
            (string) ($given['modules'] ?? ''),
            (string) ($given['pages'] ?? ''),
            $this->preview->of($request),
        );
    }

    /** @return Created<PageWholeShape> */
    public function store(CreatePageRequest $request): Created
    {
        $given = $request->validated();

        $about = $given['about'] ?? null;
        $address = ($given['address'] ?? '') === ''
            ? $this->addresses->suggested($given['title'], $about, $given['under'] ?? null)
            : $given['address'];
        $fault = $this->addresses->fault($address, $about, null);
        if ($fault !== null) {
            throw Refused::because('address', ProblemCode::Taken, $fault);
        }

        return new Created($this->shape->whole($this->pages->create($given['title'], $address, $about)));
    }

    /** @return array{address: string, fault: string|null} an address for the page, and what is wrong with it */
    public function address(PageAddressRequest $request): array
    {
        $given = $request->validated();
        $about = $given['about'] ?? null;
        $address = ($given['address'] ?? '') === ''
            ? $this->addresses->suggested($given['title'] ?? '', $about, $given['under'] ?? null)
            : $given['address'];

        return ['address' => $address, 'fault' => $this->addresses->fault($address, $about, $given['key'] ?? null)];
    }

    /** @return PageWholeShape */
    public function show(string $key): array
    {
        return $this->shape->whole($this->row($key));
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request, string $key): array
    {
        $revision = (int) $request->validated()['revision'];
        $row = $this->pages->saveDraft($this->row($key), $request->definition(), $revision);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /** @return PageWholeShape */
    public function publish(RevisionRequest $request, string $key): array
    {
        return $this->shape->whole($this->pages->publish($this->row($key), $request->seen())->refresh());
    }

    /** @return array{change: int, title: string} the change that can be undone */
    public function remove(string $key): array
    {
        $change = $this->removal->remove($this->row($key));

        return ['change' => $change->id, 'title' => $change->title];
    }

    /** @return PageVersionsShape */
    public function versions(string $key): array
    {
        return $this->versions->all($this->row($key));
    }

    /**
     * A published version, which can become the draft again.
     *
     * @return array{definition: PageFileShape}
     */
    public function version(string $key, int $number): array
    {
        return ['definition' => $this->versions->find($this->row($key), $number) ?? abort(404, 'There is no version '
            ."{$number} of “{$key}”.")];
    }

    /**
     * The preview of a page's draft, with the blocks of its plan that show there.
     *
     * @return PagePreviewShape
     */
    public function preview(PagePreviewRequest $request): array
    {
        $page = $this->pages->read($request->definition());
        $context = $this->preview->of($request);
        $slug = (string) ($request->validated()['slug'] ?? '');
        $slug = $slug === '' ? $this->finder->subjects($page, '', $context, 1)[0]['slug'] ?? '' : $slug;
        $dependencies = new Dependencies;
        $subject = $this->finder->subjectOf($page, $slug, $context, $dependencies) ?? throw Refused::because(
            'slug',
            ProblemCode::WrongValue,
            'there is nothing that the page could be about.',
        );
        $context = $context->with(page: $subject->page);
        $address = new PageAddress($page->about === null ? $page->address->pattern : $page->address->filled($slug));
        $found = new FoundPage(new StoredPage(null, $page), $subject);
        $result = $this->sitePages->page($found, $address, $context, [], $dependencies);
        $names = $this->modules->names();

        return [
            'html' => view('site.page', ['result' => PagePlan::marked($result)])->render(),
            'address' => $address->path,
            'subject' => $page->about === null ? null : ['slug' => $slug, 'title' => $subject->title],
            'bands' => PagePlan::bands($result, $context, $names, $this->modules->unseen($page->modules())),
            'frame' => PagePlan::frame($result, $names),
            'depends' => $dependencies->keys(),
            'until' => $dependencies->until() === null ? null : Iso8601::format(
                (new \DateTimeImmutable)->setTimestamp($dependencies->until()),
            ),
        ];
    }

    /** @return BlockOffersShape */
    public function blocks(BlocksRequest $request): array
    {
        $site = $this->blockOffers->site($request->validated()['about']);

        return [
            'blocks' => array_map(fn (OfferedBlock $one): array => [
                'key' => $one->key,
                'begin' => $one->begin,
                'why' => $one->why,
            ], Blocks::offered($site)),
            'orders' => array_column($site->orderModules(), 'key'),
        ];
    }

    /** @return list<StarterBodyShape> bodies that the page can begin with */
    public function bodies(FindSubjectsRequest $request): array
    {
        $about = $this->pages->read($request->definition())->about;

        return StarterBodies::of($about, $about?->source($this->catalogue->catalogue())?->type());
    }

    /**
     * The fields of the records that the page serves, for its blocks.
     *
     * @return array{records: SourceRecordsShape|null} null of a page about nothing but itself
     */
    public function records(FindSubjectsRequest $request): array
    {
        $source = $this->pages->read($request->definition())->about?->source($this->catalogue->catalogue());

        return ['records' => $source === null ? null : $this->sources->of($source)];
    }

    /** @return list<SubjectNameShape> what the page can be looked at as */
    public function subjects(FindSubjectsRequest $request): array
    {
        $page = $this->pages->read($request->definition());

        return $this->finder->subjects($page, (string) ($request->validated()['q'] ?? ''), $this->contexts->now(), 50);
    }

    private function row(string $key): Page
    {
        return $this->pages->find($key) ?? abort(404, "There is no page “{$key}”.");
    }
}
