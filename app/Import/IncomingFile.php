<?php

declare(strict_types=1);

namespace App\Import;

/** A file on its way in: its path in the site, without a leading slash, and a way to read it. */
final readonly class IncomingFile
{
    /** @param  \Closure(): string  $read */
    public function __construct(public string $path, public int $bytes, private \Closure $read)
    {
    }

    public function content(): string
    {
        return ($this->read)();
    }

    public function kind(): FileKind
    {
        return FileKind::of($this->path);
    }
}
