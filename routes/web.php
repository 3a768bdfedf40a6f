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
    Route::get('/manage/sign-in', [Manage\People\SignInController::class, 'form'])->name('login');
    Route::post('/manage/sign-in', [Manage\People\SignInController::class, 'signIn']);
    Route::get('/manage/welcome/{secret}', [Manage\People\SignInController::class, 'welcome']);
    Route::post('/manage/welcome/{secret}', [Manage\People\SignInController::class, 'takeUp'])
        ->middleware('throttle:20,1');
});

// For a page that is open while its session ends: a new token, and signing in again without leaving it.
Route::get('/manage/api/token', [Manage\People\SignInController::class, 'token']);
Route::post('/manage/api/sign-in', [Manage\People\SignInController::class, 'signInAgain']);

Route::middleware(['auth'])->prefix('manage')->group(function (): void {
    Route::prefix('api')->middleware('can:enter')->group(function (): void {
        Route::get('start', Manage\StartController::class);
        Route::get('find', Manage\FindController::class);
        Route::post('sign-out', [Manage\People\SignInController::class, 'signOut']);
        Route::put('password', [Manage\People\PeopleController::class, 'password'])->middleware('throttle:passwords');

        Route::get('items', [Manage\Content\ItemTableController::class, 'index']);
        Route::post('items/many', [Manage\Content\ItemTableController::class, 'many']);
        Route::get('items/new/{key}', [Manage\Content\ItemController::class, 'begin']);
        Route::post('items', [Manage\Content\ItemController::class, 'store']);
        Route::put('items/draft', [Manage\Content\ItemController::class, 'keepDraft']);
        Route::delete('items/draft', [Manage\Content\ItemController::class, 'dropDraft']);
        Route::middleware('can:edit,item')->group(function (): void {
            Route::get('items/{item}', [Manage\Content\ItemController::class, 'show']);
            Route::put('items/{item}', [Manage\Content\ItemController::class, 'update']);
            Route::delete('items/{item}', [Manage\Content\ItemController::class, 'remove']);
            Route::get('items/{item}/revisions', [Manage\Content\ItemController::class, 'revisions']);
            Route::post('items/{item}/revisions/{number}', [Manage\Content\ItemController::class, 'bringBack']);
            Route::get('items/{item}/shown', [Manage\Content\ItemController::class, 'shown']);
        });
        Route::get('presets/{key}', [Manage\Content\ItemTableController::class, 'presets']);
        Route::put('presets/{key}', [Manage\Content\ItemTableController::class, 'savePreset']);
        Route::delete('presets/{key}/{id}', [Manage\Content\ItemTableController::class, 'removePreset']);
        Route::get('changes', [Manage\ChangeController::class, 'index']);
        Route::post('changes/{change}/undo', [Manage\ChangeController::class, 'undo'])->can('undo', 'change');
        Route::get('tasks', [Manage\TaskController::class, 'index']);
        Route::get('tasks/{task}', [Manage\TaskController::class, 'show'])->can('view', 'task');

        Route::post('texts/preview', [Manage\Content\TextController::class, 'preview']);
        Route::get('media', [Manage\Content\MediaController::class, 'index']);
        Route::post('media', [Manage\Content\MediaController::class, 'store'])->middleware('throttle:uploads');
        Route::put('media/{media}', [Manage\Content\MediaController::class, 'update'])->can('edit', 'media');
        Route::delete('media/{media}', [Manage\Content\MediaController::class, 'remove'])->can('edit', 'media');
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
        Route::get('pages', [Manage\Pages\PageController::class, 'index']);
        Route::get('pages/grid', [Manage\Pages\PageController::class, 'grid']);
        Route::post('pages', [Manage\Pages\PageController::class, 'store']);
        Route::post('pages/address', [Manage\Pages\PageController::class, 'address']);
        Route::post('pages/blocks', [Manage\Pages\PageController::class, 'blocks']);
        Route::post('pages/preview', [Manage\Pages\PageController::class, 'preview']);
        Route::post('pages/bodies', [Manage\Pages\PageController::class, 'bodies']);
        Route::post('pages/records', [Manage\Pages\PageController::class, 'records']);
        Route::post('pages/subjects', [Manage\Pages\PageController::class, 'subjects']);
        Route::get('pages/{key}', [Manage\Pages\PageController::class, 'show']);
        Route::put('pages/{key}/draft', [Manage\Pages\PageController::class, 'saveDraft']);
        Route::post('pages/{key}/publish', [Manage\Pages\PageController::class, 'publish']);
        Route::delete('pages/{key}', [Manage\Pages\PageController::class, 'remove']);
        Route::get('pages/{key}/versions', [Manage\Pages\PageController::class, 'versions']);
        Route::get('pages/{key}/versions/{number}', [Manage\Pages\PageController::class, 'version']);
        Route::get('frame', [Manage\Pages\FrameController::class, 'show']);
        Route::put('frame/draft', [Manage\Pages\FrameController::class, 'saveDraft']);
        Route::post('frame/publish', [Manage\Pages\FrameController::class, 'publish']);
        Route::get('menus', [Manage\Pages\MenuController::class, 'index']);
        Route::get('menus/{key}', [Manage\Pages\MenuController::class, 'show']);
        Route::put('menus/{key}/draft', [Manage\Pages\MenuController::class, 'saveDraft']);
        Route::post('menus/{key}/publish', [Manage\Pages\MenuController::class, 'publish']);
        Route::get('settings', [Manage\SettingsController::class, 'show']);
        Route::get('settings/demo', [Manage\SettingsController::class, 'demo']);
        Route::delete('settings/demo', [Manage\SettingsController::class, 'removeDemo']);
        Route::get('settings/choices', [Manage\SettingsController::class, 'choices']);
        Route::post('settings/preview', [Manage\SettingsController::class, 'preview']);
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
        Route::post('frame/place', [Manage\Pages\FrameController::class, 'place']);
        Route::post('frame/preview', [Manage\Pages\FrameController::class, 'preview']);
        Route::post('bench/preview', [Manage\Bench\BenchController::class, 'preview']);
        Route::post('bench/results', [Manage\Bench\BenchController::class, 'results']);
        Route::post('bench/find', [Manage\Bench\BenchTraceController::class, 'find']);
        Route::post('bench/trace', [Manage\Bench\BenchTraceController::class, 'trace']);
        Route::post('bench/compare', [Manage\Bench\BenchComparisonController::class, 'compare']);
        Route::post('bench/gaps', [Manage\Bench\BenchController::class, 'gaps']);
        Route::post('bench/options', [Manage\Bench\BenchController::class, 'options']);
        Route::post('bench/source', [Manage\Bench\BenchController::class, 'source']);
        Route::post('bench/offer', [Manage\Bench\BenchController::class, 'offer']);

        Route::put('forms/{form}', [Manage\Content\FormDraftController::class, 'keep']);
        Route::delete('forms/{form}', [Manage\Content\FormDraftController::class, 'drop']);
        Route::get('types', [Manage\Types\TypeController::class, 'index']);
        Route::put('types', [Manage\Types\TypeController::class, 'save']);
        Route::post('types/effects', [Manage\Types\TypeController::class, 'effects']);
        Route::put('types/order', [Manage\Types\TypeController::class, 'order']);
        Route::get('types/{key}', [Manage\Types\TypeController::class, 'show']);
        Route::get('types/{key}/file', [Manage\Types\TypeController::class, 'file']);
        Route::delete('types/{key}', [Manage\Types\TypeController::class, 'remove']);
        Route::get('sets', [Manage\Types\SetController::class, 'index']);
        Route::post('sets/inspect', [Manage\Types\SetController::class, 'inspect']);
        Route::post('sets/apply', [Manage\Types\SetController::class, 'apply']);
        Route::get('sets/{key}/file', [Manage\Types\SetController::class, 'file']);

        Route::get('taxonomies', [Manage\Types\TermController::class, 'taxonomies']);
        Route::put('taxonomies', [Manage\Types\TermController::class, 'define']);
        Route::delete('taxonomies/{key}', [Manage\Types\TermController::class, 'removeTaxonomy']);
        Route::get('taxonomies/{key}/file', [Manage\Types\TermController::class, 'file']);
        Route::get('taxonomies/{key}/terms', [Manage\Types\TermController::class, 'index']);
        Route::post('taxonomies/{key}/terms', [Manage\Types\TermController::class, 'store']);
        Route::post('terms/merge', [Manage\Types\TermController::class, 'merge']);
        Route::get('terms/{id}', [Manage\Types\TermController::class, 'show']);
        Route::put('terms/{id}', [Manage\Types\TermController::class, 'update']);
        Route::delete('terms/{id}', [Manage\Types\TermController::class, 'remove']);
        Route::post('terms/{id}/move', [Manage\Types\TermController::class, 'move']);

        Route::get('by-hand/{key}', [Manage\Content\ItemTableController::class, 'byHand']);
        Route::put('by-hand/{key}', [Manage\Content\ItemTableController::class, 'placeByHand']);

        Route::get('people', [Manage\People\PeopleController::class, 'index']);
        Route::post('people', [Manage\People\PeopleController::class, 'invite']);
        Route::put('people/{id}', [Manage\People\PeopleController::class, 'update']);
        Route::post('people/{id}/link', [Manage\People\PeopleController::class, 'link']);
        Route::post('people/{id}/sign-out', [Manage\People\PeopleController::class, 'signOutEverywhere']);
        Route::put('groups', [Manage\People\PeopleController::class, 'saveGroup']);
        Route::delete('groups/{id}', [Manage\People\PeopleController::class, 'removeGroup']);

        Route::get('audit', Manage\People\AuditController::class);
        Route::get('imports', [Manage\Content\ImportController::class, 'index']);
        Route::post('imports', [Manage\Content\ImportController::class, 'store'])->middleware('throttle:uploads');
        Route::get('imports/{id}', [Manage\Content\ImportController::class, 'show']);
        Route::post('imports/{id}/pictures', [Manage\Content\ImportController::class, 'addPictures'])
            ->middleware('throttle:uploads');
        Route::post('imports/{id}/run', [Manage\Content\ImportController::class, 'run']);
        Route::delete('imports/{id}', [Manage\Content\ImportController::class, 'remove']);
        Route::post('exports/{key}', [Manage\Content\ExportController::class, 'make'])->middleware('throttle:exports');
        Route::get('exports/{file}', [Manage\Content\ExportController::class, 'file'])
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
