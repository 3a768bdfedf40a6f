<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Pages;

use App\Http\OpenApi\DefinitionSchemas;
use App\Http\PreviewContext;
use App\Http\Requests\Pages\FramePreviewRequest;
use App\Http\Requests\Pages\TickPlaceRequest;
use App\Http\Requests\RevisionRequest;
use App\Http\Requests\SaveDraftRequest;
use App\Http\Resources\JsonMap;
use App\Http\Resources\Standing;
use App\Models\SiteDefinition;
use App\Pages\PageStore;
use App\Pages\SiteDefinitionStore;
use App\Site\Address\AddressAnswers;
use App\Site\SitePages;
use OpenApi\Attributes as OA;
use Wellspring\Core\Page\Frame\FrameReader;
use Wellspring\Core\Page\Place;
use Wellspring\Core\Page\PlaceTree;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Refused;
use Wellspring\Core\Problem\Shape;
use Wellspring\Core\Time\Iso8601;

/**
 * The frame: the blocks around every page.
 *
 * @phpstan-import-type FrameFileShape from DefinitionSchemas
 *
 * @phpstan-type FrameWholeShape array{
 *     key: string, definition: FrameFileShape, revision: int, savedAt: string, live: bool, changed: bool,
 *     publishedAt: string|null,
 * }
 * @phpstan-type PlaceRowShape array{
 *     address: string, title: string, depth: int, shows: bool, branch: bool|null,
 * }
 * @phpstan-type PlaceTreeShape array{
 *     entry: JsonMap<mixed>, sentence: string, newPages: bool, pages: list<PlaceRowShape>,
 * }
 */
final readonly class FrameController
{
    public function __construct(
        private SiteDefinitionStore $frames,
        private PreviewContext $preview,
        private AddressAnswers $answers,
        private PageStore $pages,
    ) {
    }

    /** @return FrameWholeShape the frame of a site that has published none, where there is no other yet */
    public function show(): array
    {
        $row = $this->frames->frame();

        return [
            'key' => SiteDefinitionStore::FRAME,
            'definition' => $row === null ? SitePages::plainFrame()->toArray() : self::written($row),
            'revision' => $row === null ? 0 : $row->revision,
            'savedAt' => Iso8601::format($row === null ? now()->toImmutable() : $row->updated_at),
        ] + ($row === null ? Standing::untouched(true) : Standing::of($row));
    }

    /** @return array{revision: int, savedAt: string} */
    #[OA\Response(response: 409, description: 'Somebody else saved it meanwhile.', content: new OA\MediaType(
        'application/json',
        new OA\Schema(ref: '#/components/schemas/Conflict'),
    ))]
    public function saveDraft(SaveDraftRequest $request): array
    {
        $revision = (int) $request->validated()['revision'];
        $row = $this->frames->save(FrameReader::read($request->definition()), $revision);

        return ['revision' => $row->revision, 'savedAt' => Iso8601::format($row->updated_at)];
    }

    /** @return FrameWholeShape */
    public function publish(RevisionRequest $request): array
    {
        $row = $this->frames->frame();
        $row === null
            ? $this->frames->publish($this->frames->apply(SitePages::plainFrame()))
            : $this->frames->publish($row, $request->seen());

        return $this->show();
    }

    /**
     * Applies one change to the pages that show an entry of the frame, and stores nothing. Without a change, it only
     * describes them.
     *
     * @return PlaceTreeShape `entry`: what the entry of the frame's file says of it
     *
     * @throws Refused
     */
    public function place(TickPlaceRequest $request): array
    {
        $given = $request->validated();
        $problems = new Problems;
        $place = Place::read(new Shape(['on' => $request->json('on')], '', $problems), $problems);
        $problems->refuseIfAny();
        $tree = new PlaceTree($this->pages->drafts()->mapWithKeys(
            fn (object $page): array => [(string) $page->address => (string) $page->title],
        )->all());
        if (is_string($given['address'] ?? null)) {
            $place = $tree->ticked($place, $given['address'], (bool) $given['shows'], (bool) $given['below']);
        } elseif (isset($given['newPages'])) {
            $place = $tree->withNewPages($place, (bool) $given['newPages']);
        }

        return [
            'entry' => new JsonMap($place->toArray()),
            'sentence' => $tree->sentence($place),
            'newPages' => $place->takesNewPages(),
            'pages' => $tree->rows($place),
        ];
    }

    /**
     * A page inside the drafts of the frame and of its menus.
     *
     * @return array{html: string}
     */
    public function preview(FramePreviewRequest $request): array
    {
        $address = (string) $request->validated()['address'];
        $answer = $this->answers->find($address, $this->preview->of($request), drafts: true);
        abort_if($answer->page === null, 404, "No page has the address {$address}.");

        return ['html' => view('site.page', ['result' => $answer->page])->render()];
    }

    /** @return FrameFileShape as a file holds it; as it is stored where it can no longer be read */
    private static function written(SiteDefinition $row): array
    {
        try {
            return FrameReader::read($row->draft)->toArray();
        } catch (Refused) {
            return $row->draft;
        }
    }
}
