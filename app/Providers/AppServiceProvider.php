<?php

declare(strict_types=1);

namespace App\Providers;

use App\Content\CatalogueStore;
use App\Content\Ledger;
use App\Listing\PostgresLanguage;
use App\Listing\KeysetPaginator;
use App\Models\Page;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\View;
use Illuminate\Support\ServiceProvider;
use Wellspring\Core\Calendar\Calendar;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Text\Language;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->scoped(CatalogueStore::class);
        $this->app->scoped(Ledger::class);
        $this->app->singleton(Calendar::class, fn (): Calendar => Calendar::of(config()->string('site.time_zone'), config()->string('site.locale')));
        $this->app->singleton(KeysetPaginator::class, fn (): KeysetPaginator => new KeysetPaginator);
        $this->app->scoped(Language::class, PostgresLanguage::class);
        $this->app->singleton(Format::class, fn (): Format => new Format(
            config()->string('site.locale'),
            config()->string('site.currency'),
            config()->string('site.time_zone'),
        ));
    }

    public function boot(): void
    {
        View::composer('site.layout', fn ($view) => $view->with('navigation', Page::query()->where('address', '<>', '/')->orderBy('position')->orderBy('id')->get()));
        Model::shouldBeStrict(! app()->isProduction());
    }
}
