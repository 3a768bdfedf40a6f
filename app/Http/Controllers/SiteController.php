<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\CatalogueStore;
use App\Http\Middleware\IdentifiesViewer;
use App\Listing\ContextFactory;
use App\Listing\VisibleItems;
use App\Models\Item;
use App\Pages\PageStore;
use App\Pages\StoredPage;
use App\Site\ItemPage;
use App\Site\Output\ModuleView;
use App\Site\PageAddress;
use App\Site\SiteFrame;
use App\Site\SitePages;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Wording\Format;

/** The site that visitors see: pages with their modules, and items' own pages. */
final readonly class SiteController
{
    public function __construct(
        private PageStore $pages,
        private SitePages $sitePages,
        private CatalogueStore $catalogue,
        private Format $format,
        private ContextFactory $contexts,
    ) {
    }

    public function show(Request $request, string $path = ''): View|RedirectResponse
    {
        $address = '/'.$path;
        $page = $this->pages->at($address);

        return $page === null ? $this->item($request, $address) : $this->page($request, $page);
    }

    private function page(Request $request, StoredPage $page): View|RedirectResponse
    {
        $path = $page->definition->address->pattern;
        $asked = [];
        foreach ($page->definition->modules() as $key) {
            $name = ModuleView::parameterOf($key);
            if (! $request->query->has($name)) {
                continue;
            }
            $number = $request->query->all()[$name];
            abort_unless(is_string($number), 404);
            if ($number === '1') {
                $others = array_diff_key($request->query->all(), [$name => true]);

                return redirect($path.($others === [] ? '' : '?'.http_build_query($others)), 301);
            }
            $asked[$key] = $number;
        }

        $address = new PageAddress($path);
        $context = $this->contexts->now(IdentifiesViewer::viewer($request))->with(
            choices: Choices::fromAddress($request->query->all()),
        );

        return view('site.page', [
            'result' => $this->sitePages->page($page, $address, $context, $asked),
            'frame' => SiteFrame::of($address),
        ]);
    }

    private function item(Request $request, string $address): View
    {
        foreach ($this->catalogue->catalogue()->types as $type) {
            $pattern = '~^'.str_replace('\{slug\}', '([a-z0-9-]+)', preg_quote($type->address, '~')).'$~D';
            if (preg_match($pattern, $address, $found) === 1) {
                return $this->itemPage($request, $type, $found[1]);
            }
        }
        abort(404);
    }

    private function itemPage(Request $request, Type $type, string $slug): View
    {
        $context = $this->contexts->now(IdentifiesViewer::viewer($request));
        $item = VisibleItems::of([$type->key], $context)->with(Item::shown())->where('slug', $slug)->firstOrFail();
        $request->attributes->set('item', $item->id);

        return view(
            'site.item',
            [
                'page' => new ItemPage($this->catalogue->catalogue(), $type, $item, $this->format, $context),
                'frame' => SiteFrame::of(new PageAddress(SitePages::itemAddress($type, $slug))),
            ],
        );
    }
}
