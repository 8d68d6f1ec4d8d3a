<?php

declare(strict_types=1);

namespace App\Import;

use App\Engine\Blobs;
use App\Engine\SiteEngine;
use App\Models\Snapshot;
use App\Support\Refusal;
use Illuminate\Support\Facades\DB;
use Insignum\Page\PageReader;
use Insignum\Style\StyleSet;
use Insignum\Syntax\Severity;

/** Incoming files into a snapshot, in one transaction; what can't be used is told, and the rest is kept. */
final class SnapshotReader
{
    public function __construct(private readonly Blobs $blobs, private readonly ImageFacts $images)
    {
    }

    /**
     * @param  list<IncomingFile>  $files
     * @param  callable(int): bool  $progress  takes 0 to 100, and answers whether to go on
     *
     * @throws Refusal
     */
    public function read(Snapshot $snapshot, array $files, Limits $limits, callable $progress): void
    {
        $files = SitePath::withoutCommonFolder($files);
        usort($files, static fn (IncomingFile $a, IncomingFile $b): int => self::rank($a->path) <=> self::rank($b->path));
        $rows = ['pages' => [], 'stylesheets' => [], 'assets' => []];
        $notices = [];
        $count = max(1, count($files));
        foreach ($files as $i => $file) {
            if ($i % 10 === 0 && ! $progress((int) (80 * $i / $count))) {
                return;
            }
            $notice = $this->file($file, $limits, $rows);
            if ($notice !== null) {
                $notices[] = $notice;
            }
        }
        if ($rows['pages'] === []) {
            throw new Refusal('no-pages', 'There is no HTML page in what was given. '.implode(' ', array_slice($notices, 0, 3)).' Save the pages of the site as .html files, with their stylesheets, and choose them all.');
        }
        DB::transaction(function () use ($snapshot, $rows): void {
            foreach (['pages', 'stylesheets', 'assets'] as $relation) {
                foreach (array_chunk($rows[$relation], 200) as $chunk) {
                    $snapshot->{$relation}()->createMany($chunk);
                }
            }
        });
        $progress(85);
        array_push($notices, ...$this->check($snapshot));
        $hashes = array_map(static fn (array $row): string => $row['path'].$row['hash'], array_merge(...array_values($rows)));
        $snapshot->update(['hash' => hash('sha256', implode("\n", $hashes)), 'notices' => $notices]);
        $progress(100);
    }

    /** The front page first, then by depth and name. */
    private static function rank(string $path): string
    {
        return (preg_match('/\Aindex\.html?\z/i', $path) ? '0' : '1').substr_count($path, '/').strtolower($path);
    }

    /**
     * @param  array{pages: list<array<string, mixed>>, stylesheets: list<array<string, mixed>>, assets: list<array<string, mixed>>}  $rows
     * @return ?string what to tell about it
     */
    private function file(IncomingFile $file, Limits $limits, array &$rows): ?string
    {
        $kind = $file->kind();
        if ($kind === FileKind::Other || $kind === FileKind::Archive) {
            return preg_match('/\.(?:js|mjs|map|json|php|txt|md|xml)\z/i', $file->path) ? null : "“{$file->path}” was left out: it is neither a page, a stylesheet, an image nor a font.";
        }
        if ($file->bytes > $limits->of($kind)) {
            return "“{$file->path}” was left out: it has ".Limits::words($file->bytes).', and '.Limits::words($limits->of($kind))." is the most for a {$kind->value}.";
        }
        if ($kind === FileKind::Page && count($rows['pages']) >= $limits->pages) {
            return "“{$file->path}” was left out: {$limits->pages} pages are the most.";
        }
        $content = $file->content();
        switch ($kind) {
            case FileKind::Page:
                if (! preg_match('/<\s*(?:!doctype\s+html|html|head|body|div|main|p|h1)\b/i', substr($content, 0, 20_000)) || str_contains(substr($content, 0, 2000), "\0")) {
                    return "“{$file->path}” was left out: it is called a page, but there is no HTML in it.";
                }
                $page = PageReader::read($content);
                $rows['pages'][] = ['path' => $file->path, 'title' => mb_substr($page->title === '' ? $file->path : $page->title, 0, 300), 'hash' => $this->blobs->put($content), 'elements' => $page->count(), 'position' => count($rows['pages'])];
                break;
            case FileKind::Stylesheet:
                $rows['stylesheets'][] = ['path' => $file->path, 'hash' => $this->blobs->put($content), 'bytes' => strlen($content)];
                break;
            default:
                $rows['assets'][] = ['path' => $file->path, 'hash' => $this->blobs->put($content), 'mime' => FileKind::mime($file->path), 'bytes' => strlen($content), ...$this->images->of($content, $file->path)];
        }

        return null;
    }

    /** @return list<string> what the pages miss, and what the sheets have wrong */
    private function check(Snapshot $snapshot): array
    {
        $notices = [];
        $engine = SiteEngine::for($snapshot);
        $missing = [];
        foreach ($engine->pages() as $path => $page) {
            foreach (StyleSet::of($page, '/'.$path, $engine->library)->missing as $address) {
                $missing[$address] = true;
            }
        }
        foreach (array_keys($missing) as $address) {
            $notices[] = "The stylesheet {$address} is linked but was not among the files: what it says isn’t known here.";
        }
        foreach ($engine->library->all() as $sheet) {
            $errors = array_values(array_filter($sheet->findings, static fn ($f): bool => $f->severity === Severity::Error));
            if ($errors !== []) {
                $at = $sheet->position($errors[0]->start);
                $more = count($errors) > 1 ? ' There are '.(count($errors) - 1).' more like it.' : '';
                $notices[] = ltrim($sheet->path, '/').", line {$at->line}: {$errors[0]->message} The rest was read as browsers do.$more";
            }
        }

        return $notices;
    }
}
