<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\LookSheetController;
use App\Http\Controllers\Manage;
use App\Http\Controllers\MapTileController;
use App\Http\Controllers\MediaController;
use App\Http\Controllers\SearchController;
use App\Http\Controllers\SiteController;
use App\Http\Controllers\SitemapController;
use App\Http\Middleware\CountsViews;
use App\Http\Middleware\IdentifiesViewer;
use App\Http\Middleware\LimitsQueryTime;
use Illuminate\Support\Facades\Route;

foreach (['id', 'item', 'change', 'media', 'task'] as $row) {
    Route::pattern($row, '[0-9]{1,18}');
}
Route::pattern('number', '[0-9]{1,9}');

Route::middleware('guest')->group(function (): void {
    Route::get('/manage/sign-in', [Manage\SignInController::class, 'form'])->name('login');
    Route::post('/manage/sign-in', [Manage\SignInController::class, 'signIn']);
    Route::get('/manage/welcome/{secret}', [Manage\SignInController::class, 'welcome']);
    Route::post('/manage/welcome/{secret}', [Manage\SignInController::class, 'takeUp'])->middleware('throttle:20,1');
});

// For a page that is open while its session ends: a new token, and signing in again without leaving it.
Route::get('/manage/api/token', [Manage\SignInController::class, 'token']);
Route::post('/manage/api/sign-in', [Manage\SignInController::class, 'signInAgain']);

Route::middleware(['auth'])->prefix('manage')->group(function (): void {
    Route::prefix('api')->middleware('can:enter')->group(function (): void {
        Route::get('start', Manage\StartController::class);
        Route::get('find', Manage\FindController::class);
        Route::post('sign-out', [Manage\SignInController::class, 'signOut']);
        Route::put('password', [Manage\PeopleController::class, 'password'])->middleware('throttle:passwords');

        Route::get('items', [Manage\ItemTableController::class, 'index']);
        Route::post('items/many', [Manage\ItemTableController::class, 'many']);
        Route::get('items/new/{key}', [Manage\ItemController::class, 'begin']);
        Route::post('items', [Manage\ItemController::class, 'store']);
        Route::put('items/draft', [Manage\ItemController::class, 'keepDraft']);
        Route::delete('items/draft', [Manage\ItemController::class, 'dropDraft']);
        Route::middleware('can:edit,item')->group(function (): void {
            Route::get('items/{item}', [Manage\ItemController::class, 'show']);
            Route::put('items/{item}', [Manage\ItemController::class, 'update']);
            Route::delete('items/{item}', [Manage\ItemController::class, 'remove']);
            Route::get('items/{item}/revisions', [Manage\ItemController::class, 'revisions']);
            Route::post('items/{item}/revisions/{number}', [Manage\ItemController::class, 'bringBack']);
            Route::get('items/{item}/shown', [Manage\ItemController::class, 'shown']);
        });
        Route::get('presets/{key}', [Manage\ItemTableController::class, 'presets']);
        Route::put('presets/{key}', [Manage\ItemTableController::class, 'savePreset']);
        Route::delete('presets/{key}/{id}', [Manage\ItemTableController::class, 'removePreset']);
        Route::get('changes', [Manage\ChangeController::class, 'index']);
        Route::post('changes/{change}/undo', [Manage\ChangeController::class, 'undo'])->can('undo', 'change');
        Route::get('tasks', [Manage\TaskController::class, 'index']);
        Route::get('tasks/{task}', [Manage\TaskController::class, 'show'])->can('view', 'task');

        Route::post('texts/look', [Manage\TextController::class, 'look']);
        Route::get('media', [Manage\MediaController::class, 'index']);
        Route::post('media', [Manage\MediaController::class, 'store'])->middleware('throttle:uploads');
        Route::put('media/{media}', [Manage\MediaController::class, 'update'])->can('edit', 'media');
        Route::delete('media/{media}', [Manage\MediaController::class, 'remove'])->can('edit', 'media');
    });

    Route::middleware('can:manage')->prefix('api')->group(function (): void {
        Route::get('modules', [Manage\ModuleController::class, 'index']);
        Route::post('modules', [Manage\ModuleController::class, 'store']);
        Route::get('modules/records', [Manage\ModuleController::class, 'records']);
        Route::get('modules/starts', [Manage\ModuleController::class, 'starts']);
        Route::get('modules/starts/records', [Manage\ModuleController::class, 'startingRecords']);
        Route::post('modules/many', [Manage\ModuleController::class, 'many']);
        Route::post('modules/check', [Manage\ModuleController::class, 'check']);
        Route::get('modules/{key}', [Manage\ModuleController::class, 'show']);
        Route::put('modules/{key}/draft', [Manage\ModuleController::class, 'saveDraft']);
        Route::post('modules/{key}/publish', [Manage\ModuleController::class, 'publish']);
        Route::post('modules/{key}/duplicate', [Manage\ModuleController::class, 'duplicate']);
        Route::get('modules/{key}/versions', [Manage\ModuleController::class, 'versions']);
        Route::get('modules/{key}/versions/{number}', [Manage\ModuleController::class, 'version']);
        Route::put('modules/{key}/pages/{page}', [Manage\ModuleController::class, 'stand']);
        Route::get('pages', [Manage\PageController::class, 'index']);
        Route::get('pages/grid', [Manage\PageController::class, 'grid']);
        Route::post('pages', [Manage\PageController::class, 'store']);
        Route::post('pages/address', [Manage\PageController::class, 'address']);
        Route::post('pages/look', [Manage\PageController::class, 'look']);
        Route::post('pages/bodies', [Manage\PageController::class, 'bodies']);
        Route::post('pages/records', [Manage\PageController::class, 'records']);
        Route::post('pages/subjects', [Manage\PageController::class, 'subjects']);
        Route::get('pages/{key}', [Manage\PageController::class, 'show']);
        Route::put('pages/{key}/draft', [Manage\PageController::class, 'saveDraft']);
        Route::post('pages/{key}/publish', [Manage\PageController::class, 'publish']);
        Route::delete('pages/{key}', [Manage\PageController::class, 'remove']);
        Route::get('pages/{key}/versions', [Manage\PageController::class, 'versions']);
        Route::get('pages/{key}/versions/{number}', [Manage\PageController::class, 'version']);
        Route::get('frame', [Manage\FrameController::class, 'show']);
        Route::put('frame/draft', [Manage\FrameController::class, 'saveDraft']);
        Route::post('frame/publish', [Manage\FrameController::class, 'publish']);
        Route::get('menus', [Manage\MenuController::class, 'index']);
        Route::get('menus/{key}', [Manage\MenuController::class, 'show']);
        Route::put('menus/{key}/draft', [Manage\MenuController::class, 'saveDraft']);
        Route::post('menus/{key}/publish', [Manage\MenuController::class, 'publish']);
        Route::get('settings', [Manage\SettingsController::class, 'show']);
        Route::get('settings/demo', [Manage\SettingsController::class, 'demo']);
        Route::delete('settings/demo', [Manage\SettingsController::class, 'removeDemo']);
        Route::get('settings/choices', [Manage\SettingsController::class, 'choices']);
        Route::post('settings/look', [Manage\SettingsController::class, 'look']);
        Route::put('settings/draft', [Manage\SettingsController::class, 'saveDraft']);
        Route::post('settings/publish', [Manage\SettingsController::class, 'publish']);
        Route::get('looks', [Manage\LookController::class, 'index']);
        Route::post('looks', [Manage\LookController::class, 'store']);
        Route::post('looks/measure', [Manage\LookController::class, 'measure']);
        Route::post('looks/preview', [Manage\LookController::class, 'preview']);
        Route::get('looks/{key}', [Manage\LookController::class, 'show']);
        Route::put('looks/{key}/draft', [Manage\LookController::class, 'saveDraft']);
        Route::post('looks/{key}/publish', [Manage\LookController::class, 'publish']);
        Route::delete('looks/{key}', [Manage\LookController::class, 'remove']);
        Route::get('looks/{key}/tokens', [Manage\LookController::class, 'tokens']);
        Route::post('frame/place', [Manage\FrameController::class, 'place']);
        Route::post('frame/look', [Manage\FrameController::class, 'look']);
        Route::post('bench/look', [Manage\BenchController::class, 'look']);
        Route::post('bench/results', [Manage\BenchController::class, 'results']);
        Route::post('bench/find', [Manage\BenchTraceController::class, 'find']);
        Route::post('bench/trace', [Manage\BenchTraceController::class, 'trace']);
        Route::post('bench/compare', [Manage\BenchComparisonController::class, 'compare']);
        Route::post('bench/gaps', [Manage\BenchController::class, 'gaps']);
        Route::post('bench/options', [Manage\BenchController::class, 'options']);
        Route::post('bench/source', [Manage\BenchController::class, 'source']);
        Route::post('bench/offer', [Manage\BenchController::class, 'offer']);

        Route::put('forms/{form}', [Manage\FormDraftController::class, 'keep']);
        Route::delete('forms/{form}', [Manage\FormDraftController::class, 'drop']);
        Route::get('types', [Manage\TypeController::class, 'index']);
        Route::put('types', [Manage\TypeController::class, 'save']);
        Route::post('types/look', [Manage\TypeController::class, 'look']);
        Route::put('types/order', [Manage\TypeController::class, 'order']);
        Route::get('types/{key}', [Manage\TypeController::class, 'show']);
        Route::get('types/{key}/file', [Manage\TypeController::class, 'file']);
        Route::delete('types/{key}', [Manage\TypeController::class, 'remove']);
        Route::get('sets', [Manage\SetController::class, 'index']);
        Route::post('sets/look', [Manage\SetController::class, 'look']);
        Route::post('sets/apply', [Manage\SetController::class, 'apply']);
        Route::get('sets/{key}/file', [Manage\SetController::class, 'file']);

        Route::get('taxonomies', [Manage\TermController::class, 'taxonomies']);
        Route::put('taxonomies', [Manage\TermController::class, 'define']);
        Route::delete('taxonomies/{key}', [Manage\TermController::class, 'removeTaxonomy']);
        Route::get('taxonomies/{key}/file', [Manage\TermController::class, 'file']);
        Route::get('taxonomies/{key}/terms', [Manage\TermController::class, 'index']);
        Route::post('taxonomies/{key}/terms', [Manage\TermController::class, 'store']);
        Route::post('terms/merge', [Manage\TermController::class, 'merge']);
        Route::get('terms/{id}', [Manage\TermController::class, 'show']);
        Route::put('terms/{id}', [Manage\TermController::class, 'update']);
        Route::delete('terms/{id}', [Manage\TermController::class, 'remove']);
        Route::post('terms/{id}/move', [Manage\TermController::class, 'move']);

        Route::get('by-hand/{key}', [Manage\ItemTableController::class, 'byHand']);
        Route::put('by-hand/{key}', [Manage\ItemTableController::class, 'placeByHand']);

        Route::get('people', [Manage\PeopleController::class, 'index']);
        Route::post('people', [Manage\PeopleController::class, 'invite']);
        Route::put('people/{id}', [Manage\PeopleController::class, 'update']);
        Route::post('people/{id}/link', [Manage\PeopleController::class, 'link']);
        Route::post('people/{id}/sign-out', [Manage\PeopleController::class, 'signOutEverywhere']);
        Route::put('groups', [Manage\PeopleController::class, 'saveGroup']);
        Route::delete('groups/{id}', [Manage\PeopleController::class, 'removeGroup']);

        Route::get('audit', Manage\AuditController::class);
        Route::get('imports', [Manage\ImportController::class, 'index']);
        Route::post('imports', [Manage\ImportController::class, 'store'])->middleware('throttle:uploads');
        Route::get('imports/{id}', [Manage\ImportController::class, 'show']);
        Route::post('imports/{id}/pictures', [Manage\ImportController::class, 'addPictures'])
            ->middleware('throttle:uploads');
        Route::post('imports/{id}/run', [Manage\ImportController::class, 'run']);
        Route::delete('imports/{id}', [Manage\ImportController::class, 'remove']);
        Route::post('exports/{key}', [Manage\ExportController::class, 'make'])->middleware('throttle:exports');
        Route::get('exports/{file}', [Manage\ExportController::class, 'file'])
            ->where('file', '[a-z0-9_-]+-[0-9a-f]{32}\.(csv|jsonl?)');
    });

    Route::view('{screen?}', 'manage.app')->where('screen', '(?!api/).*')->middleware('can:enter');
});

Route::prefix('account')->controller(AccountController::class)->group(function (): void {
    Route::get('/', 'show');
    Route::get('sign-in', 'form');
    Route::post('sign-in', 'signIn');
    Route::post('sign-out', 'signOut');
    Route::get('sign-up', 'signUpForm');
    Route::post('sign-up', 'signUp')->middleware('throttle:letters');
    Route::get('password', 'passwordForm');
    Route::post('password', 'password')->middleware('throttle:letters');
    Route::get('welcome/{secret}', 'welcome');
    Route::post('welcome/{secret}', 'takeUp')->middleware('throttle:20,1');
});

// Who brings no session gets none: pages are the same for all signed-out visitors.
Route::withoutMiddleware('web')->group(function (): void {
    Route::get('/up', fn () => response('up', 200, ['Content-Type' => 'text/plain']));
    Route::get('/look/{hash}.css', LookSheetController::class)->where('hash', '[0-9a-f]{20}');
    Route::get('/map/{colours}/{zoom}/{x}/{y}.svg', [MapTileController::class, 'show'])->where([
        'colours' => '[0-9a-f]{18}', 'zoom' => '[0-9]{1,2}', 'x' => '[0-9]{1,6}', 'y' => '[0-9]{1,6}',
    ]);
    Route::get('/robots.txt', [SitemapController::class, 'robots']);
    Route::get('/sitemap.xml', [SitemapController::class, 'index']);
    Route::get('/sitemap/{name}.xml', [SitemapController::class, 'part'])->where('name', '[a-z0-9_-]{1,100}');
    Route::middleware([LimitsQueryTime::class, IdentifiesViewer::class])->group(function (): void {
        Route::get('/search', [SearchController::class, 'show'])->middleware('throttle:search');
        Route::get('/search/suggest', [SearchController::class, 'suggest'])->middleware('throttle:suggest');
        Route::get('/media/{file}', [MediaController::class, 'show'])->where('file', '.*');
        Route::get('/{path?}', [SiteController::class, 'show'])->where('path', '.*')->middleware(CountsViews::class);
    });
});
