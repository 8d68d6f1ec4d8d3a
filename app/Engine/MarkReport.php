<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Page\Fingerprint;
use Insignum\Page\Page;
use Insignum\Sheet\Mark;

/** Marks as plain data for the front end, at the places where their elements stand now. */
final class MarkReport
{
    /**
     * @param  array<string, Page>  $pages by path
     * @param  list<Mark>  $marks
     * @return list<array{kind: string, page: string, path: ?string, print: string, note: string, label: string, excerpt: string}> with a path of null for those whose element is gone
     */
    public static function of(array $pages, array $marks): array
    {
        return array_map(static function (Mark $mark) use ($pages): array {
            $page = $pages[$mark->page] ?? null;
            $element = $page === null ? null : Fingerprint::find($page, $mark->path, $mark->print);

            return [
                'kind' => $mark->kind,
                'page' => $mark->page,
                'path' => $page === null || $element === null ? null : $page->path($element),
                'print' => $page === null || $element === null ? $mark->print : Fingerprint::of($page, $element),
                'note' => $mark->note,
                'label' => $page === null || $element === null ? (string) strtok($mark->print, '|') : ElementReport::label($page, $element),
                'excerpt' => $page === null || $element === null ? '' : $page->excerpt($element, 40),
            ];
        }, $marks);
    }

    /**
     * With the prints of where the elements stand now, so that they are found again in a later snapshot.
     *
     * @param  array<string, Page>  $pages by path
     * @param  list<Mark>  $marks
     * @return list<Mark>
     */
    public static function printed(array $pages, array $marks): array
    {
        return array_map(static fn (array $m): Mark => new Mark($m['kind'], $m['page'], $m['path'] ?? '', $m['print'], $m['note']), array_values(array_filter(self::of($pages, $marks), static fn (array $m): bool => $m['path'] !== null || $m['print'] !== '')));
    }
}
