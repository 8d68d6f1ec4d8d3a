<?php

declare(strict_types=1);

namespace App\Import;

/** Paths within a site. */
final class SitePath
{
    /** The path in plain form, or null where it leaves the site, is absolute, or holds what no file name should. */
    public static function clean(string $path): ?string
    {
        $path = str_replace('\\', '/', $path);
        if ($path === '' || strlen($path) > 480 || str_starts_with($path, '/') || preg_match('/[\x00-\x1f\x7f]|\A[a-z]:/i', $path) || ! mb_check_encoding($path, 'UTF-8')) {
            return null;
        }
        $steps = [];
        foreach (explode('/', $path) as $step) {
            if ($step === '..') {
                return null;
            }
            if ($step !== '' && $step !== '.') {
                $steps[] = $step;
            }
        }

        return $steps === [] ? null : implode('/', $steps);
    }

    /**
     * Without the folder that all of them lie in, as archives and saved sites often have one around everything.
     *
     * @param  list<IncomingFile>  $files
     * @return list<IncomingFile>
     */
    public static function withoutCommonFolder(array $files): array
    {
        while ($files !== []) {
            $tops = array_unique(array_map(static fn (IncomingFile $f): string => str_contains($f->path, '/') ? strtok($f->path, '/').'/' : '', $files));
            $top = reset($tops);
            if (count($tops) !== 1 || $top === '') {
                break;
            }
            $files = array_map(static fn (IncomingFile $f): IncomingFile => new IncomingFile(substr($f->path, strlen($top)), $f->bytes, $f->content(...)), $files);
        }

        return $files;
    }
}
