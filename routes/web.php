<?php

declare(strict_types=1);

use App\Http\Controllers\Manage;
use App\Http\Controllers\SiteController;
use Illuminate\Support\Facades\Route;

Route::middleware('guest')->group(function (): void {
    Route::get('/manage/sign-in', [Manage\SignInController::class, 'form'])->name('login');
    Route::post('/manage/sign-in', [Manage\SignInController::class, 'signIn']);
});

Route::middleware('auth')->prefix('manage')->group(function (): void {
    Route::prefix('api')->group(function (): void {
        Route::get('start', Manage\StartController::class);
        Route::post('sign-out', [Manage\SignInController::class, 'signOut']);
        Route::get('modules', [Manage\ModuleController::class, 'index']);
        Route::post('modules', [Manage\ModuleController::class, 'store']);
        Route::get('modules/{key}', [Manage\ModuleController::class, 'show']);
        Route::put('modules/{key}/draft', [Manage\ModuleController::class, 'saveDraft']);
        Route::post('modules/{key}/publish', [Manage\ModuleController::class, 'publish']);
        Route::put('modules/{key}/pages', [Manage\ModuleController::class, 'place']);
        Route::post('bench/look', [Manage\BenchController::class, 'look']);
        Route::post('bench/options', [Manage\BenchController::class, 'options']);
        Route::get('items', [Manage\ItemController::class, 'index']);
        Route::post('items', [Manage\ItemController::class, 'store']);
        Route::get('items/{id}', [Manage\ItemController::class, 'show'])->where('id', '[0-9]{1,18}');
        Route::put('items/{id}', [Manage\ItemController::class, 'update'])->where('id', '[0-9]{1,18}');
        Route::post('pictures', [Manage\ItemController::class, 'addPicture']);
    });

    Route::view('{screen?}', 'manage.app')->where('screen', '(?!api/).*');
});

// Visitors carry no session: their pages are the same for all who may see them.
Route::withoutMiddleware('web')->group(function (): void {
    Route::get('/up', fn () => response('up', 200, ['Content-Type' => 'text/plain']));
    Route::get('/{path?}', [SiteController::class, 'show'])->where('path', '.*');
});
