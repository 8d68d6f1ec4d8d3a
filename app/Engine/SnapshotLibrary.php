<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Snapshot;
use Illuminate\Contracts\Cache\Repository;
use Insignum\Style\CompiledSheet;
use Insignum\Style\Declarations;
use Insignum\Style\Library;
use Insignum\Style\SheetCompiler;

/** The compiled sheets of a snapshot, cached by content. */
final class SnapshotLibrary implements Library
{
    private const LIFETIME = 7 * 86400;

    /** @var array<string, CompiledSheet> */
    private array $compiled = [];

    /** @var ?array<string, string> path to hash */
    private ?array $hashes = null;

    private readonly SheetCompiler $compiler;

    public function __construct(private readonly Snapshot $snapshot, private readonly Blobs $blobs, private readonly Repository $cache, Declarations $declarations)
    {
        $this->compiler = new SheetCompiler($declarations);
    }

    public function sheet(string $path): ?CompiledSheet
    {
        $hash = $this->hashes()[ltrim($path, '/')] ?? null;

        return $hash === null ? null : $this->remembered($hash, $path, fn (): string => $this->blobs->get($hash));
    }

    public function compile(string $css, string $path): CompiledSheet
    {
        return $this->remembered(hash('sha256', $css), $path, static fn (): string => $css);
    }

    /** @return list<CompiledSheet> the theme's own files */
    public function all(): array
    {
        return array_values(array_filter(array_map(fn (string $path): ?CompiledSheet => $this->sheet('/'.$path), array_keys($this->hashes()))));
    }

    /** What changes when any sheet of the snapshot does. */
    public function fingerprint(): string
    {
        return hash('sha256', json_encode($this->hashes(), JSON_THROW_ON_ERROR));
    }

    /** @param  callable(): string  $css */
    private function remembered(string $hash, string $path, callable $css): CompiledSheet
    {
        return $this->compiled["$hash $path"] ??= $this->cache->remember(
            SiteEngine::key('sheet', $hash, $path),
            self::LIFETIME,
            fn (): CompiledSheet => $this->compiler->compile($css(), $path),
        );
    }

    /** @return array<string, string> */
    private function hashes(): array
    {
        return $this->hashes ??= $this->snapshot->stylesheets()->orderBy('path')->pluck('hash', 'path')->all();
    }
}
