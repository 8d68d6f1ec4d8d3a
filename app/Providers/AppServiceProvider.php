<?php

declare(strict_types=1);

namespace App\Providers;

use App\Destinations\Destination;
use App\Destinations\HttpDestination;
use App\Engine\Blobs;
use Illuminate\Cache\RateLimiting\Limit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\ServiceProvider;
use Insignum\Style\Declarations;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(Blobs::class, fn (): Blobs => new Blobs(Storage::disk(config()->string('insignum.blob_disk'))));
        $this->app->singleton(Declarations::class);
        $this->app->bind(Destination::class, HttpDestination::class);
    }

    public function boot(): void
    {
        Model::shouldBeStrict();
        JsonResource::withoutWrapping();
        RateLimiter::for('sign-in', static fn (Request $request): array => [
            Limit::perMinute(8)->by(strtolower($request->string('email')->toString()).'|'.$request->ip()),
            Limit::perMinute(40)->by((string) $request->ip()),
        ]);
    }
}
