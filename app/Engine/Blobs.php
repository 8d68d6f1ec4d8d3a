<?php

declare(strict_types=1);

namespace App\Engine;

use Illuminate\Contracts\Filesystem\Filesystem;

/** Files kept by the SHA-256 of their content, so that a file brought in twice is kept once and nothing is overwritten. */
final class Blobs
{
    public function __construct(private readonly Filesystem $disk)
    {
    }

    public function put(string $content): string
    {
        $hash = hash('sha256', $content);
        if (! $this->disk->exists($this->path($hash))) {
            $this->disk->put($this->path($hash), $content);
        }

        return $hash;
    }

    public function get(string $hash): string
    {
        return (string) $this->disk->get($this->path($hash));
    }

    private function path(string $hash): string
    {
        return substr($hash, 0, 2).'/'.$hash;
    }
}
