<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Http\Controllers\SessionController;
use App\Import\IncomingFile;
use App\Import\Limits;
use App\Import\SnapshotReader;
use App\Models\Snapshot;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\File;
use Illuminate\Support\Str;

/** Larkmoor Observatory and its owner. Does nothing where they are there already. */
final class LoadDemo extends Command
{
    protected $signature = 'insignum:demo {directory : the demo site, put together by demo/make.php}';

    protected $description = 'Loads the demo site and its owner, unless they are there already';

    public function handle(SnapshotReader $reader): int
    {
        $owner = User::query()->firstOrCreate(
            ['email' => SessionController::DEMO_EMAIL],
            ['name' => 'Wren Aldous', 'password' => Str::random(40)],
        );
        $site = $owner->sites()->firstOrCreate(
            ['name' => 'Larkmoor Observatory'],
            ['theme' => 'Orrery 1.4', 'destination_url' => config()->string('insignum.practice_host.url'), 'destination_token' => config()->string('insignum.practice_host.token')],
        );
        if ($site->snapshot() !== null) {
            return self::SUCCESS;
        }
        $root = realpath($this->argument('directory'));
        if ($root === false) {
            $this->error('There is no such directory.');

            return self::FAILURE;
        }
        $files = array_map(
            static fn (\SplFileInfo $file): IncomingFile => new IncomingFile(substr($file->getPathname(), strlen($root) + 1), (int) $file->getSize(), static fn (): string => (string) file_get_contents($file->getPathname())),
            File::allFiles($root),
        );
        $snapshot = $site->snapshots()->create(['number' => 1]);
        $reader->read($snapshot, array_values($files), Limits::configured(), static fn (int $progress): bool => true);
        $snapshot->update(['state' => Snapshot::READY]);
        $this->info("Loaded {$site->name}: {$snapshot->pages()->count()} pages.");

        return self::SUCCESS;
    }
}
