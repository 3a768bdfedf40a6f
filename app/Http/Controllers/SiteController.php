<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Freshness\Dependencies;
use App\Http\Middleware\IdentifiesViewer;
use App\Http\Middleware\KeepsPages;
use App\Http\QueryString;
use App\Listing\ContextFactory;
use App\Site\Address\AddressAnswers;
use App\Site\Address\PageAddress;
use App\Site\ManagerBar;
use App\Site\Output\ModuleView;
use App\Site\PageCache\PageCacheFront;
use App\Site\SitePages;
use App\Site\StructuredItem;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Wellspring\Core\Context\Choices;
use Wellspring\Core\Page\Block\SignIn;

/** The public site. */
final readonly class SiteController
{
    public function __construct(
        private AddressAnswers $answers,
        private SitePages $sitePages,
        private StructuredItem $structured,
        private ContextFactory $contexts,
        private ManagerBar $bar,
    ) {
    }

    public function show(Request $request, string $path = ''): View|RedirectResponse|Response
    {
        $query = $request->query->all();
        $said = QueryString::of((string) $request->server->get('QUERY_STRING'));
        $asked = [];
        foreach ($query as $name => $number) {
            $key = ModuleView::keyOf((string) $name);
            if ($key !== null) {
                $asked[$key] = is_string($number) ? $number : '';
            }
        }
        $viewer = IdentifiesViewer::viewer($request);
        $context = $this->contexts->now($viewer)->with(choices: Choices::fromAddress($said->values));
        $address = $path === '' ? '/' : "/{$path}".(str_ends_with($request->getPathInfo(), '/') ? '/' : '');
        $canonical = $said->values === [] || $said->isOfForm() || PageCacheFront::current() === null
            ? null
            : $this->answers->canonicalParameters($address, $context, $asked);
        $kept = $canonical === null ? null : KeepsPages::keptOf($request, $canonical);
        if ($kept !== null) {
            return $kept;
        }
        $answer = $this->answers->find($address, $context, asked: $asked);
        $first = $answer->page === null ? [] : array_intersect(
            array_keys($asked, '1', true),
            $answer->page->page->modules(),
        );
        $request->attributes->set('item', $answer->page?->subject->page->item?->id);
        if ($answer->dependencies !== null) {
            KeepsPages::madeOf(
                $request,
                $answer->dependencies,
                $answer->page->parameterNames ?? [],
                $answer->page?->address->parameters ?? [],
                $answer->page->isOneOfMany ?? false,
            );
        }

        return match (true) {
            // Page 1 has one address, without a page number.
            $first !== [] => self::moved($address, array_diff_key(
                $query,
                array_flip(array_map(ModuleView::parameterOf(...), $first)),
            )),
            // An address that a form wrote redirects to the canonical address with the same meaning.
            $answer->status === 200 && $answer->page !== null && $said->isOfForm() && $answer->page->address->whole()
                !== $request->getRequestUri() => redirect($answer->page->address->whole(), 302),
            $answer->page !== null => response()->view('site.page', [
                'result' => $answer->page,
                'structured' => $this->structured->of($answer->page, rtrim(config()->string('app.url'), '/')),
                'isStandIn' => $answer->status !== 200,
                'bar' => $viewer->isSignedIn === true && $request->user()?->isManager() === true
                    ? $this->bar->of($answer->page)
                    : null,
                'signInTo' => $answer->status === 401 && ! $answer->page->shows(SignIn::class) ? $address : null,
            ], $answer->status),
            $answer->location !== null => self::moved($answer->location, $query),
            $answer->status === 401 => response()->view('site.sign-in', [
                'address' => $address,
                'frame' => $this->sitePages->frame(new PageAddress($address), $context),
            ], 401),
            default => response()->view('errors.404', [
                'frame' => $this->sitePages->frame(
                    new PageAddress('/not-found'),
                    $context,
                    $answer->dependencies ?? new Dependencies,
                ),
            ], 404),
        };
    }

    /** @param  array<array-key, mixed>  $query */
    private static function moved(string $path, array $query): RedirectResponse
    {
        // The path is decoded here. Characters that a header may not contain are encoded again as in the address (RFC
        // 3986, 3.3).
        $encoded = (string) preg_replace_callback(
            "~[^A-Za-z0-9\\-._\~!$&'()*+,;=:@/]~",
            fn (array $byte): string => rawurlencode($byte[0]),
            $path,
        );

        return redirect($encoded.($query === [] ? '' : '?'.http_build_query($query)), 301);
    }
}
