<?php

use App\Http\Controllers\Api\ImageController;
use App\Http\Controllers\Api\InspectController;
use App\Http\Controllers\Api\SheetController;
use App\Http\Controllers\PreviewController;
use App\Http\Controllers\ReleaseController;
use App\Http\Controllers\SessionController;
use App\Http\Controllers\SiteController;
use Illuminate\Support\Facades\Route;

Route::redirect('/', '/sites');

Route::middleware('guest')->group(function (): void {
    Route::get('/login', [SessionController::class, 'create'])->name('login');
    Route::post('/login', [SessionController::class, 'store'])->middleware('throttle:sign-in');
    Route::post('/login/demo', [SessionController::class, 'demo']);
    Route::get('/register', [SessionController::class, 'register']);
    Route::post('/register', [SessionController::class, 'storeUser'])->middleware('throttle:sign-in');
});
Route::post('/logout', [SessionController::class, 'destroy'])->middleware('auth');

Route::middleware('auth')->group(function (): void {
    Route::get('/sites', [SiteController::class, 'index']);
    Route::get('/sites/new', [SiteController::class, 'create']);
    Route::post('/sites', [SiteController::class, 'store']);

    Route::prefix('/sites/{site}')->whereNumber('site')->group(function (): void {
        Route::get('/', [SiteController::class, 'show']);
        Route::get('/sheet', [SiteController::class, 'sheet']);
        Route::get('/sheet.css', [SiteController::class, 'download']);
        Route::get('/releases', [ReleaseController::class, 'index']);
        Route::put('/destination', [SiteController::class, 'destination']);
    });

    Route::prefix('/api/sites/{site}')->whereNumber(['site', 'number'])->group(function (): void {
        Route::get('/snapshot', [SiteController::class, 'snapshot']);
        Route::post('/snapshot/cancel', [SiteController::class, 'cancel']);
        Route::get('/tree/{page}', [InspectController::class, 'tree'])->where('page', '.+');
        Route::post('/pick', [InspectController::class, 'pick']);
        Route::post('/tones', [InspectController::class, 'tones']);
        Route::post('/try', [InspectController::class, 'try']);
        Route::post('/weigh', [InspectController::class, 'weigh']);
        Route::post('/aim', [InspectController::class, 'aim']);
        Route::post('/reach', [InspectController::class, 'reach']);
        Route::post('/wear', [InspectController::class, 'wear']);
        Route::post('/part', [InspectController::class, 'part']);
        Route::post('/colour', [InspectController::class, 'colour']);
        Route::post('/fit', [InspectController::class, 'fit']);
        Route::post('/covered', [InspectController::class, 'covered']);
        Route::post('/css', [InspectController::class, 'css']);
        Route::get('/vocabulary', [InspectController::class, 'vocabulary']);
        Route::get('/sleeping', [InspectController::class, 'sleeping']);
        Route::get('/theme', [InspectController::class, 'theme']);
        Route::get('/variable', [InspectController::class, 'variable']);
        Route::post('/differences', [InspectController::class, 'differences']);
        Route::get('/account', [InspectController::class, 'account']);
        Route::get('/account/{page}', [InspectController::class, 'account'])->where('page', '.+');
        Route::post('/sheet/scope', [SheetController::class, 'scope']);
        Route::get('/images', [ImageController::class, 'index']);
        Route::post('/images', [ImageController::class, 'store']);
        Route::delete('/images/{name}', [ImageController::class, 'destroy'])->where('name', '[a-z0-9._-]+');
        Route::get('/sheet', [SheetController::class, 'show']);
        Route::post('/sheet/overrides', [SheetController::class, 'keep']);
        Route::post('/sheet/headings', [SheetController::class, 'heading']);
        Route::post('/sheet/import', [SheetController::class, 'import']);
        Route::post('/sheet/undo', [SheetController::class, 'undo']);
        Route::post('/sheet/redo', [SheetController::class, 'redo']);
        Route::post('/sheet/entries/{id}/remove', [SheetController::class, 'remove']);
        Route::post('/sheet/entries/{id}/move', [SheetController::class, 'move']);
        Route::post('/sheet/entries/{id}/switch', [SheetController::class, 'switch']);
        Route::post('/releases', [ReleaseController::class, 'store']);
        Route::post('/releases/{number}/again', [ReleaseController::class, 'again']);
        Route::post('/releases/{number}/draft', [ReleaseController::class, 'toDraft']);
    });
});

// The sandboxed frame sends no cookies: these addresses are signed instead.
Route::get('/preview/{token}/{path}', [PreviewController::class, 'show'])->where('path', '.+')->withoutMiddleware('web');
