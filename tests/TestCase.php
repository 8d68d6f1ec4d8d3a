<?php

declare(strict_types=1);

namespace Tests;

use App\Import\IncomingFile;
use App\Import\Limits;
use App\Import\SnapshotReader;
use App\Models\Site;
use App\Models\Snapshot;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as BaseTestCase;
use Illuminate\Support\Facades\Storage;

abstract class TestCase extends BaseTestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
        Storage::fake('local');
        Storage::fake('blobs');
    }

    protected function user(): User
    {
        return User::query()->create(['name' => 'Wren', 'email' => uniqid().'@example.org', 'password' => 'a long password'])->refresh();
    }

    /** @param  array<string, string>  $files by path */
    protected function site(User $user, array $files = []): Site
    {
        $files += [
            'index.html' => '<!doctype html><html><head><title>Home</title><link rel="stylesheet" href="css/theme.css"></head><body class="page-home"><section class="tone-night"><blockquote class="quote">q<img src="/img/a.png"></blockquote></section><p class="quote">r</p></body></html>',
            'css/theme.css' => '.quote { color: #445 } .tone-night { background: url(/img/a.png) }',
        ];
        $site = $user->sites()->create(['name' => 'Larkmoor', 'destination_url' => 'http://127.0.0.1:8499', 'destination_token' => 'secret']);
        $snapshot = $site->snapshots()->create(['number' => 1, 'state' => Snapshot::READING]);
        $incoming = array_map(static fn (string $path, string $text): IncomingFile => new IncomingFile($path, strlen($text), static fn (): string => $text), array_keys($files), $files);
        $this->app->make(SnapshotReader::class)->read($snapshot, $incoming, Limits::configured(), static fn (): bool => true);
        $snapshot->update(['state' => Snapshot::READY]);

        return $site;
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    protected function draft(string $selector = '.quote', string $color = 'gold', array $more = []): array
    {
        return ['selector' => $selector, 'declarations' => [['name' => 'color', 'value' => $color]], 'note' => 'why', ...$more];
    }
}
