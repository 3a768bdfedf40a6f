<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Catalogue\CatalogueStore;
use App\Http\Middleware\IdentifiesViewer;
use App\Listing\ContextFactory;
use App\Listing\VisibleItems;
use App\Models\Item;
use App\Site\AddressAnswers;
use App\Site\ItemPage;
use App\Site\Output\ModuleView;
use App\Site\PageAddress;
use App\Site\SitePages;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Wellspring\Core\Content\Type;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Context\Context;
use Wellspring\Core\Wording\Format;

/** The site that visitors see: pages with their modules, and items' own pages. */
final readonly class SiteController
{
    public function __construct(
        private AddressAnswers $answers,
        private SitePages $sitePages,
        private CatalogueStore $catalogue,
        private Format $format,
        private ContextFactory $contexts,
    ) {
    }

    public function show(Request $request, string $path = ''): View|RedirectResponse|Response
    {
        $query = $request->query->all();
        $asked = [];
        foreach ($query as $name => $number) {
            $key = ModuleView::keyOf((string) $name);
            if ($key !== null) {
                $asked[$key] = is_string($number) ? $number : '';
            }
        }
        $viewer = IdentifiesViewer::viewer($request);
        $context = $this->contexts->now($viewer)->with(choices: Choices::fromAddress($query));
        $address = $path === '' ? '/' : "/{$path}".(str_ends_with($request->getPathInfo(), '/') ? '/' : '');
        $answer = $this->answers->find($address, $context, asked: $asked);
        $first = $answer->page === null ? [] : array_intersect(
            array_keys($asked, '1', true),
            $answer->page->page->modules(),
        );
        $request->attributes->set('item', $answer->page?->subject->page->item?->id);

        return match (true) {
            // Page 1 has one address, without a page number.
            $first !== [] => self::moved($address, array_diff_key(
                $query,
                array_flip(array_map(ModuleView::parameterOf(...), $first)),
            )),
            $answer->page !== null => view('site.page', ['result' => $answer->page]),
            $answer->location !== null => self::moved($answer->location, $query),
            $answer->status === 401 => response()->view('site.sign-in', [
                'frame' => $this->sitePages->frame(new PageAddress($address), $context),
            ], 401),
            default => $this->item($request, $address, $context),
        };
    }

    private function item(Request $request, string $address, Context $context): View
    {
        foreach ($this->catalogue->catalogue()->types as $type) {
            $pattern = '~^'.str_replace('\{slug\}', '([a-z0-9-]+)', preg_quote($type->address, '~')).'$~D';
            if (preg_match($pattern, $address, $found) === 1) {
                return $this->itemPage($request, $type, $found[1], $context);
            }
        }
        abort(404);
    }

    private function itemPage(Request $request, Type $type, string $slug, Context $context): View
    {
        $item = VisibleItems::of([$type->key], $context)->with(Item::shown())->where('slug', $slug)->firstOrFail();
        $request->attributes->set('item', $item->id);

        return view(
            'site.item',
            [
                'page' => new ItemPage($this->catalogue->catalogue(), $type, $item, $this->format, $context),
                'frame' => $this->sitePages->frame(new PageAddress(SitePages::itemAddress($type, $slug)), $context),
            ],
        );
    }

    /** @param  array<array-key, mixed>  $query */
    private static function moved(string $path, array $query): RedirectResponse
    {
        return redirect($path.($query === [] ? '' : '?'.http_build_query($query)), 301);
    }
}
