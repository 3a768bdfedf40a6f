<?php

declare(strict_types=1);

namespace App\Providers;

use App\Audit\Actor;
use App\Audit\ClientNetwork;
use App\Catalogue\CatalogueStore;
use App\Catalogue\StoredDefinitions;
use App\Content\BulkEdit;
use App\Content\Html\SafeHtml;
use App\Content\RevisionRestorer;
use App\Content\Taxonomies\UndoTermChange;
use App\Content\Types\TypeChange;
use App\Content\Types\UndoTypeChange;
use App\Demo\DemoRemoval;
use App\Export\ExportFile;
use App\History\ItemRestorer;
use App\History\Undo;
use App\History\UndoChange;
use App\History\UndoHandler;
use App\Http\Middleware\IdentifiesViewer;
use App\Http\RequestFacts;
use App\Jobs\FetchVideo;
use App\Jobs\KeepIndexes;
use App\Jobs\RunTask;
use App\Listing\Cache\ResultCache;
use App\Listing\Compile\Compiler;
use App\Listing\Compile\OrderSql;
use App\Listing\Compile\PostgresLanguage;
use App\Listing\ContextFactory;
use App\Listing\ModuleQuery;
use App\Listing\PageRecords;
use App\Listing\Paging\KeysetPaginator;
use App\Look\LookSheets;
use App\Mail\OutboxTransport;
use App\Media\DrawUpload;
use App\Models\User;
use App\Modules\BulkModuleChange;
use App\Modules\LiveModulesChanged;
use App\Modules\PublishDefaults;
use App\Pages\AllDefinitions;
use App\Pages\PageQuery;
use App\Pages\PageRemoval;
use App\Pages\PagesAsRecords;
use App\Pages\PublishSettings;
use App\Site\Address\PageAddress;
use App\Site\CountedTypes;
use App\Site\KeptSafeHtml;
use App\Site\ModulePlaces;
use App\Site\PageResult;
use App\Site\SitePages;
use App\Tasks\JobLease;
use App\Tasks\LongWorkRegister;
use App\Tasks\Tasks;
use App\Video\VideoWanted;
use Illuminate\Auth\Access\Response;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Console\Events\CommandStarting;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Queue\Events\Looping;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Facades\Queue;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Illuminate\View\View as ViewInstance;
use Wellspring\Core\Context\SiteSettings;
use Wellspring\Core\Text\Language;
use Wellspring\Core\Time\Calendar;
use Wellspring\Core\Wording\Format;

final class AppServiceProvider extends ServiceProvider
{
    /** Suggestions that go with one search. */
    private const SUGGESTIONS = 8;

    /** Requests a minute by one account, and from one address, which several may share. */
    private const LIMITS = ['uploads' => [300, 600], 'exports' => [10, 30], 'passwords' => [10, 30]];

    /** Every so many seconds a worker looks for jobs whose worker was ended. */
    private const RECOVER_EVERY = 5;

    private int $recoveredAt = 0;

    public function register(): void
    {
        // What many classes ask for is made once for a request.
        $shared = [
            ModulePlaces::class, CatalogueStore::class, PageQuery::class, Compiler::class, ModuleQuery::class,
            OrderSql::class,
        ];
        foreach ($shared as $class) {
            $this->app->scoped($class);
        }
        // What is cached under marks, or under its own hash, is right on whichever machine it lies: where there is
        // memory, it lies there.
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
        Queue::createPayloadUsing(
            fn (?string $connection, ?string $queue, array $payload): array => JobLease::payload($payload),
        );
        // A worker takes up what another one left when it was ended.
        Event::listen(Looping::class, function (): void {
            if (time() - $this->recoveredAt >= self::RECOVER_EVERY) {
                $this->recoveredAt = time();
                JobLease::recover();
            }
        });
        Event::listen(LiveModulesChanged::class, fn () => KeepIndexes::dispatch());
        View::composer(
            // Each by its name: with a pattern among them, every part of every card would be compared with it.
            [
                'site.layout', 'site.head', 'site.account.sign-in-form', 'site.account.message',
                'site.account.password-changed',
                'site.blocks.accountLinks', 'manage.sign-in', 'manage.welcome',
            ],
            fn ($view) => $view->with('site', app(SiteSettings::class)),
        );
        // It places cards: shown before, they would move (HTML, “blocking attributes”).
        Vite::useScriptTagAttributes(fn (string $source): array => $source === 'resources/js/site/masonry.ts'
            ? ['blocking' => 'render']
            : []);
        View::composer('site.layout', function (ViewInstance $view): void {
            $look = $view->getData()['look'] ?? app(CatalogueStore::class)->look();
            $sheets = app(LookSheets::class);
            $view->with(['lookSheet' => $sheets->address($look), 'lookFonts' => $sheets->fonts($look)]);
        });
        Event::listen(VideoWanted::class, fn (VideoWanted $wanted): mixed => FetchVideo::dispatch($wanted->address));
        View::composer('site.page', function (ViewInstance $view): void {
            $result = $view->getData()['result'] ?? null;
            $hasOwnStyles = $result instanceof PageResult && $result->hasOwnStyles();
            $view->with('ownStylesSheet', $hasOwnStyles ? app(LookSheets::class)->ownStyles() : null);
        });
        // What is not found stands on no page of the navigation.
        View::composer('errors::404', fn ($view) => $view->with('frame', app(SitePages::class)->frame(
            new PageAddress('/not-found'),
            app(ContextFactory::class)->now(IdentifiesViewer::viewer(request())),
        )));
        // Who comes in at all, and who manages the site; what belongs to somebody is told by the policies.
        Gate::define(
            'enter',
            fn (User $user): Response => in_array($user->role, ['manager', 'author'], true)
                ? Response::allow()
                : Response::deny('Only managers and authors come in here.'),
        );
        Gate::define(
            'manage',
            fn (User $user): Response => $user->isManager()
                ? Response::allow()
                : Response::deny('Only managers do this.'),
        );
        // A search is computed anew for each visitor; nobody reads so many results.
        RateLimiter::for('search', fn (Request $request): Limit => Limit::perMinute(
            config()->integer('site.searches_a_minute'),
        )->by(self::network($request)));
        // While words are typed, it is asked for every few letters.
        RateLimiter::for('suggest', fn (Request $request): Limit => Limit::perMinute(
            self::SUGGESTIONS * config()->integer('site.searches_a_minute'),
        )->by('suggest '.self::network($request)));
        foreach (self::LIMITS as $what => [$account, $address]) {
            RateLimiter::for($what, fn (Request $request): array => [
                Limit::perMinute($account)->by("{$what} of ".(Actor::id() ?? '')),
                Limit::perMinute($address)->by("{$what} from ".self::network($request)),
            ]);
        }
        // What sends a letter is limited by whoever gets it, too; a letter that nobody asked for is not sent for ever.
        RateLimiter::for('letters', function (Request $request): array {
            $email = $request->input('email');

            return [
                Limit::perMinute(10)->by('letters from '.self::network($request)),
                Limit::perHour(10)->by('letters to '.mb_strtolower(is_string($email) ? mb_scrub($email) : '')),
            ];
        });
        Mail::extend(OutboxTransport::NAME, fn (): OutboxTransport => app(OutboxTransport::class));
        // Paths alone: a page that is kept names no host or port that a request brought.
        Vite::createAssetPathsUsing(fn (string $path): string => "/{$path}");
        Model::shouldBeStrict(! app()->isProduction());
    }

    /** Limits take a network for one client. */
    private static function network(Request $request): string
    {
        return ClientNetwork::of((string) $request->ip());
    }
}
