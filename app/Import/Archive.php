<?php

declare(strict_types=1);

namespace App\Import;

use App\Support\Refusal;
use ZipArchive;

/** The files of a ZIP archive, within bounds on count, size, expansion and where their paths lead. */
final class Archive
{
    /**
     * @return list<IncomingFile>
     *
     * @throws Refusal
     */
    public static function files(string $file, Limits $limits): array
    {
        $zip = new ZipArchive;
        $opened = $zip->open($file, ZipArchive::RDONLY);
        if ($opened !== true) {
            throw new Refusal('broken-archive', 'This ZIP archive can’t be opened: it is damaged or not a ZIP at all. Nothing was stored. Make it anew, or choose the files themselves.');
        }
        if ($zip->numFiles > $limits->files) {
            throw new Refusal('too-many-files', "This archive holds {$zip->numFiles} files; {$limits->files} is the most. Nothing was stored. Leave out what the pages don’t need.");
        }
        $files = [];
        $total = 0;
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $stat = $zip->statIndex($i);
            if ($stat === false || str_ends_with($stat['name'], '/') || str_starts_with($stat['name'], '__MACOSX/')) {
                continue;
            }
            $path = SitePath::clean($stat['name']);
            if ($path === null || self::isLink($zip, $i)) {
                throw new Refusal('path-leaves-archive', "“{$stat['name']}” points outside the archive. Nothing was stored, as such an archive is made to overwrite other files.");
            }
            if ($stat['encryption_method'] !== ZipArchive::EM_NONE) {
                throw new Refusal('encrypted-archive', 'This archive is locked with a password. Nothing was stored. Save it without one.');
            }
            $total += $stat['size'];
            $files[] = new IncomingFile($path, $stat['size'], static fn (): string => self::read($zip, $i, $stat['size'], $path));
        }
        $packed = (int) filesize($file);
        if ($total > $limits->total || ($total > 1024 * 1024 && $total > $packed * $limits->expansion)) {
            throw new Refusal('archive-too-large', 'Unpacked, this archive would be '.Limits::words($total).', out of '.Limits::words($packed).'. Nothing was stored. '.Limits::words($limits->total).' is the most, and no more than '.$limits->expansion.' times the archive.');
        }

        return $files;
    }

    /** No more than what was announced, whatever the compressed stream says. */
    private static function read(ZipArchive $zip, int $index, int $size, string $path): string
    {
        $stream = $zip->getStreamIndex($index);
        $content = $stream === false ? false : stream_get_contents($stream, $size + 1);
        if ($content === false || strlen($content) !== $size) {
            throw new Refusal('broken-archive', "“{$path}” in this archive is damaged. The archive was not stored. Make it anew.");
        }

        return $content;
    }

    private static function isLink(ZipArchive $zip, int $index): bool
    {
        $system = $attributes = 0;

        return $zip->getExternalAttributesIndex($index, $system, $attributes) && $system === ZipArchive::OPSYS_UNIX && (($attributes >> 16) & 0170000) === 0120000;
    }
}
