<?php

declare(strict_types=1);

namespace App\Providers;

use App\Catalogue\CatalogueStore;
use App\Http\Middleware\IdentifiesViewer;
use App\Listing\ContextFactory;
use App\Look\LookSheets;
use App\Site\Address\PageAddress;
use App\Site\PageResult;
use App\Site\SitePages;
use App\Wording\SiteText;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Blade;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Illuminate\View\View as ViewInstance;
use Wellspring\Core\Context\SiteSettings;

/** Registers the data of views, and the addresses and attributes of scripts and style sheets. */
final class ViewServiceProvider extends ServiceProvider
{
    public function boot(): void
    {
        View::composer(
            // No patterns: the framework would compare each of them with every part of every card.
            [
                'site.layout', 'site.head', 'site.account.sign-in-form', 'site.account.message',
                'site.account.password-changed',
                'site.blocks.accountLinks', 'manage.sign-in', 'manage.welcome',
            ],
            fn ($view) => $view->with('site', app(SiteSettings::class)),
        );
        $class = '\\'.SiteText::class;
        Blade::directive('say', fn (string $text): string => "<?php echo {$class}::html({$text}); ?>");
        Blade::directive('plain', fn (string $text): string => "<?php echo e({$class}::plain({$text})); ?>");
        View::composer('site.layout', function (ViewInstance $view): void {
            $look = $view->getData()['look'] ?? app(CatalogueStore::class)->look();
            $sheets = app(LookSheets::class);
            $view->with(['lookSheet' => $sheets->address($look), 'lookFonts' => $sheets->fonts($look)]);
        });
        View::composer('site.page', function (ViewInstance $view): void {
            $result = $view->getData()['result'] ?? null;
            $hasOwnStyles = $result instanceof PageResult && $result->hasOwnStyles();
            $view->with('ownStylesSheet', $hasOwnStyles ? app(LookSheets::class)->ownStyles() : null);
        });
        // The address of a missing page marks no entry of the navigation as current.
        View::composer('errors::404', fn ($view) => $view->with('frame', app(SitePages::class)->frame(
            new PageAddress('/not-found'),
            app(ContextFactory::class)->now(IdentifiesViewer::viewer(request())),
        )));
        // This script places cards. It blocks rendering, or cards would move (HTML, “blocking attributes”).
        Vite::useScriptTagAttributes(fn (string $source): array => $source === 'resources/js/site/masonry.ts'
            ? ['blocking' => 'render']
            : []);
        // Paths without a host: a cached page must not name the host or port of one request.
        Vite::createAssetPathsUsing(fn (string $path): string => "/{$path}");
    }
}
