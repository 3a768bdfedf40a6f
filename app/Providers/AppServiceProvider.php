<?php

declare(strict_types=1);

namespace App\Providers;

use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use App\Content\BulkEdit;
use App\Content\Html\SafeHtml;
use App\Content\RevisionRestorer;
use App\Content\Taxonomies\UndoTermChange;
use App\Content\Types\TypeChange;
use App\Content\Types\UndoTypeChange;
use App\Export\ExportFile;
use App\History\ItemRestorer;
use App\History\Undo;
use App\History\UndoChange;
use App\History\UndoHandler;
use App\Http\RequestFacts;
use App\Jobs\RunTask;
use App\Listing\Cache\ResultCache;
use App\Listing\Compile\Compiler;
use App\Listing\Compile\OrderSql;
use App\Listing\Compile\PostgresLanguage;
use App\Listing\ModuleQuery;
use App\Listing\PageRecords;
use App\Listing\Paging\KeysetPaginator;
use App\Look\LookSheets;
use App\Mail\OutboxTransport;
use App\Media\DrawUpload;
use App\Modules\BulkModuleChange;
use App\Modules\PublishDefaults;
use App\Pages\AllDefinitions;
use App\Pages\PageQuery;
use App\Pages\PageRemoval;
use App\Pages\PagesAsRecords;
use App\Pages\PublishSettings;
use App\Site\CountedTypes;
use App\Site\KeptSafeHtml;
use App\Site\ModulePlaces;
use App\Tasks\LongWorkRegister;
use App\Tasks\Tasks;
use Database\Seeders\Demo\DemoRemoval;
use Illuminate\Console\Events\CommandStarting;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\ServiceProvider;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Wording\Format;
use Wellspring\Core\Wording\SiteWords;

/** Binds interfaces to classes, and declares which instances a request shares. */
final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        // Instances that many classes need are created once for a request.
        $shared = [
            ModulePlaces::class, CatalogueStore::class, PageQuery::class, Compiler::class, ModuleQuery::class,
            OrderSql::class,
        ];
        foreach ($shared as $class) {
            $this->app->scoped($class);
        }
        // Entries under marks or hashes are valid on any machine, so they are cached in memory if available.
        $cached = [CatalogueStore::class, ResultCache::class, KeptSafeHtml::class, LookSheets::class];
        $this->app->when($cached)->needs(Repository::class)->give(
            fn (): Repository => Cache::store(function_exists('apcu_enabled') && apcu_enabled() ? 'memory' : null),
        );
        $this->app->bind(ItemRestorer::class, RevisionRestorer::class);
        $this->app->when(Tasks::class)->needs(\Closure::class)->give(
            fn (): \Closure => fn (int $task): RunTask => new RunTask($task),
        );
        $this->app->bind(StoredDefinitions::class, AllDefinitions::class);
        $this->app->bind(PublishDefaults::class, CountedTypes::class);
        $this->app->bind(PageRecords::class, PagesAsRecords::class);
        $this->app->tag(
            [
                UndoTypeChange::class, UndoTermChange::class, BulkModuleChange::class, PageRemoval::class,
                DemoRemoval::class,
            ],
            UndoHandler::class,
        );
        $this->app->when(Undo::class)->needs('$handlers')->giveTagged(UndoHandler::class);
        $this->app->singleton(LongWorkRegister::class, fn (): LongWorkRegister => new LongWorkRegister([
            BulkEdit::class, TypeChange::class, UndoChange::class, DrawUpload::class, PublishSettings::class,
            ExportFile::class,
        ]));
        $this->app->scoped(SiteSettings::class, fn (): SiteSettings => app(CatalogueStore::class)->settings());
        $this->app->scoped(Calendar::class, fn (): Calendar => app(SiteSettings::class)->calendar());
        $this->app->scoped(SiteWords::class, fn (): SiteWords => app(Format::class)->words());
        $this->app->scoped(Format::class, fn (): Format => app(SiteSettings::class)->format());
        $this->app->singleton(SafeHtml::class);
        $this->app->singleton(KeysetPaginator::class, fn (): KeysetPaginator => new KeysetPaginator);
        $this->app->scoped(Language::class, PostgresLanguage::class);
    }

    public function boot(): void
    {
        Event::listen(
            CommandStarting::class,
            fn (CommandStarting $event) => str_starts_with((string) $event->command, 'migrate')
                ? RenamedMigrations::apply()
                : null,
        );
        DB::listen(RequestFacts::countQuery(...));
        Mail::extend(OutboxTransport::NAME, fn (): OutboxTransport => app(OutboxTransport::class));
        Model::shouldBeStrict(! app()->isProduction());
    }
}
