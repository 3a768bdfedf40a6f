<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\CatalogueStore;
use App\Http\Middleware\IdentifiesViewer;
use App\Http\RequestText;
use App\Listing\ContextFactory;
use App\Search\SiteSearch;
use App\Site\Address\PageAddress;
use App\Site\Address\RecordAddresses;
use App\Site\Listings\VisitorListing;
use App\Site\Output\ModuleView;
use App\Site\SitePages;
use App\Wording\SiteText;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Record;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Paging\PageNumbers;
use Wellspring\Core\Text\Html;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Text\SearchTerm;
use Wellspring\Core\Text\Snippet;
use Wellspring\Core\Text\Words;

/** The site's search page, and its suggestions while a visitor types. */
final readonly class SearchController
{
    private const PAGE = SiteSearch::KEY.'-page';

    private const EXCERPT_WORDS = 32;

    public function __construct(
        private SiteSearch $search,
        private ContextFactory $contexts,
        private CatalogueStore $catalogue,
        private SitePages $sitePages,
        private RecordAddresses $addresses,
        private Language $language,
    ) {
    }

    public function show(Request $request): View
    {
        $words = RequestText::text($request, 'q');
        $context = $this->context($request, $words);
        $known = $this->search->types();
        $asked = array_values(array_intersect($known, explode(',', RequestText::text($request, 'type', 2000))));
        $address = new PageAddress('/search', ($words === '' ? [] : ['q' => $words])
            + ($asked === [] ? [] : ['type' => implode(',', $asked)]), ['q', 'type', self::PAGE]);
        $types = $asked === [] ? $known : $asked;
        $view = ['words' => $words, 'frame' => $this->sitePages->frame($address, $context)];
        if (Words::ofQuery($words) === [] || $types === []) {
            return view('site.search', $view);
        }
        $page = $request->query(self::PAGE, '1');
        try {
            $listing = $this->search->run($types, $address, $context, is_string($page) ? $page : '');
        } catch (NoSuchPage) {
            abort(404);
        }
        $counts = $this->search->counts($words, $context);

        return view('site.search', $view + [
            'total' => $listing->result->total,
            'found' => $this->found($listing, $words),
            'types' => $this->typeLinks($counts, $asked, $address),
            'pages' => $this->pageLinks($listing, $address),
            'near' => $counts === [] ? $this->search->nearest($words, $context) : null,
        ]);
    }

    public function suggest(Request $request): JsonResponse
    {
        $words = RequestText::text($request, 'q');

        return response()->json($this->search->suggestions($words, $this->context($request, $words)))
            ->header('Cache-Control', 'private, max-age=60');
    }

    private function context(Request $request, string $words): Context
    {
        return $this->contexts->now(IdentifiesViewer::viewer($request))->with(
            choices: Choices::fromAddress(['q' => $words]),
        );
    }

    /**
     * @return list<array{
     *     address: string, kind: string, title: list<array{text: string, isMarked: bool}>,
     *     text: list<array{text: string, isMarked: bool}>,
     * }>
     */
    private function found(VisitorListing $listing, string $words): array
    {
        $snippet = new Snippet(SearchTerm::all($words, null), $this->language);
        $addresses = $this->addresses->of($listing->module->source, $listing->records);
        $field = $listing->module->type()->field('text');

        return array_map(function (Record $record) use ($snippet, $addresses, $field): array {
            $html = $field === null ? null : $record->value($field);
            $text = is_string($html) ? Html::visibleText($html) : '';

            return [
                'address' => $addresses[(string) $record->key()] ?? '',
                'kind' => $this->catalogue->catalogue()->type($record->type)->label ?? '',
                'title' => $snippet->marked($record->title),
                'text' => $text === '' ? [] : $snippet->of($text, self::EXCERPT_WORDS),
            ];
        }, $listing->records);
    }

    /**
     * @param  array<string, int>  $counts  by type
     * @param  list<string>  $asked  types
     * @return list<array{words: string, count: int, address: string, isChosen: bool}> all types first
     */
    private function typeLinks(array $counts, array $asked, PageAddress $address): array
    {
        $links = [[
            'words' => SiteText::plain('search.everything'),
            'count' => array_sum($counts),
            'address' => $address->with('type', null),
            'isChosen' => $asked === [],
        ]];
        foreach ($counts as $key => $count) {
            $isChosen = in_array($key, $asked, true);
            $wanted = $isChosen ? array_diff($asked, [$key]) : [...$asked, $key];
            $links[] = [
                'words' => $this->catalogue->catalogue()->type($key)->plural ?? $key,
                'count' => $count,
                'address' => $address->with('type', $wanted === [] ? null : implode(',', $wanted)),
                'isChosen' => $isChosen,
            ];
        }

        return $links;
    }

    private function pageLinks(VisitorListing $listing, PageAddress $address): ?ModuleView
    {
        $pages = new PageNumbers(max(0, $listing->result->total), $listing->module->page->size);

        return $pages->count === 1 ? null : ModuleView::ofPages($listing, $pages, $address);
    }
}
