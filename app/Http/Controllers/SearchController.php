<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\CatalogueStore;
use App\Freshness\Dependencies;
use App\Http\Middleware\IdentifiesViewer;
use App\Http\RequestText;
use App\Listing\ContextFactory;
use App\Modules\ModuleStore;
use App\Site\Listings;
use App\Site\Output\Outputs;
use App\Site\PageAddress;
use App\Site\SitePages;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Paging\NoSuchPage;
use Wellspring\Core\Text\Words;

/** The site's search: one listing over every type, by a module like any other that nobody has to set up. */
final readonly class SearchController
{
    private const KEY = 'search';

    public function __construct(
        private ModuleStore $modules,
        private Listings $listings,
        private Outputs $outputs,
        private ContextFactory $contexts,
        private CatalogueStore $catalogue,
        private SitePages $sitePages,
    ) {
    }

    public function __invoke(Request $request): View
    {
        $words = RequestText::text($request, 'q');
        $address = new PageAddress('/search', $words === '' ? [] : ['q' => $words]);
        $context = $this->contexts->now(IdentifiesViewer::viewer($request))->with(
            choices: Choices::fromAddress(['q' => $words]),
        );
        $frame = $this->sitePages->frame($address, $context);
        $types = array_map(strval(...), array_keys($this->catalogue->catalogue()->types));
        $number = $request->query(self::KEY.'-page', '1');
        if (Words::ofQuery($words) === [] || $types === []) {
            return view('site.search', ['words' => $words, 'html' => '', 'total' => 0, 'frame' => $frame]);
        }
        $module = $this->modules->read([
            'format' => 1, 'key' => self::KEY, 'name' => 'Found', 'source' => ['items' => $types],
            'where' => [
                'all' => [[
                    'field' => 'words',
                    'test' => 'search',
                    'value' => ['from' => 'address', 'name' => 'q'],
                    'whenMissing' => 'keepNone',
                ]],
            ],
            'order' => [['by' => 'relevance', 'direction' => 'down'], ['by' => 'title']],
            'arrange' => ['as' => 'list'],
            'card' => [
                'lines' => [['parts' => [['part' => 'title']]], ['parts' => [['part' => 'excerpt', 'words' => 30]]]],
            ],
        ]);
        try {
            $listing = $this->listings->show(
                $module,
                $address,
                $context,
                is_string($number) ? $number : '',
                new Dependencies,
            );
        } catch (NoSuchPage) {
            abort(404);
        }

        $total = $listing->result->total;

        return view('site.search', [
            'words' => $words,
            'html' => $total === 0 ? '' : $this->outputs->find('html')->write($listing),
            'total' => $total,
            'frame' => $frame,
        ]);
    }
}
