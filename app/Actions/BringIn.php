<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\ImportSnapshot;
use App\Models\Site;
use App\Models\Snapshot;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** Puts uploaded files aside and has them read into a new snapshot of a site. */
final class BringIn
{
    /** @param  list<array{UploadedFile, string}>  $uploads */
    public function handle(Site $site, array $uploads): Snapshot
    {
        $snapshot = $site->snapshots()->create(['number' => (int) $site->snapshots()->max('number') + 1]);
        $stored = [];
        foreach ($uploads as [$file, $path]) {
            $stored[] = ['file' => (string) $file->storeAs("incoming/{$snapshot->id}", Str::lower((string) Str::ulid())), 'path' => $path];
        }
        ImportSnapshot::dispatch($snapshot, $stored);

        return $snapshot;
    }
}
