<?php

declare(strict_types=1);

namespace App\Import;

/** The bounds on what is brought in, from config/insignum.php. Sizes in bytes. */
final readonly class Limits
{
    public function __construct(
        public int $archive,
        public int $total,
        public int $files,
        public int $pages,
        public int $page,
        public int $stylesheet,
        public int $asset,
        public int $expansion,
    ) {
    }

    public static function configured(): self
    {
        $of = static fn (string $key): int => config()->integer("insignum.import.$key");

        return new self($of('archive_bytes'), $of('total_bytes'), $of('files'), $of('pages'), $of('page_bytes'), $of('stylesheet_bytes'), $of('asset_bytes'), $of('expansion'));
    }

    public function of(FileKind $kind): int
    {
        return match ($kind) {
            FileKind::Page => $this->page,
            FileKind::Stylesheet => $this->stylesheet,
            default => $this->asset,
        };
    }

    public static function words(int $bytes): string
    {
        return $bytes < 1024 * 1024 ? max(1, (int) round($bytes / 1024)).' kB' : round($bytes / 1024 / 1024, 1).' MB';
    }
}
