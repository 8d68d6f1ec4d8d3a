<?php

declare(strict_types=1);

namespace App\Engine;

use App\Actions\ChangeSheet;
use App\Models\Site;
use Insignum\Aim\Sentence;
use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Sheet\Heading;
use Insignum\Sheet\Override;
use Insignum\Sheet\RawBlock;
use Insignum\Sheet\SheetEntry;
use Insignum\Sheet\SheetWriter;

/** The draft as plain data for the front end: entries in order, what each says and reaches, and where undo and redo lead. */
final class SheetReport
{
    /** @return array<string, mixed> */
    public static function of(Site $site, ?SiteEngine $engine): array
    {
        $sheet = $site->sheet();
        $revisions = $site->revisions()->where('number', $site->revision)->first();
        $live = $site->liveRelease();

        return [
            'revision' => $site->revision,
            'undo' => $revisions?->label,
            'redo' => ChangeSheet::next($site)?->label,
            'entries' => array_map(static fn (SheetEntry $entry): array => self::entry($entry, $engine), $sheet->entries),
            'css' => SheetWriter::whole($sheet),
            'preview' => OverrideReport::preview($sheet, ''),
            'changed' => $live === null ? count($sheet->active()) > 0 : SheetWriter::live($sheet) !== $live->css,
            'live' => $live?->number,
            'scope' => $site->scope,
        ];
    }

    /** @return array<string, mixed> */
    private static function entry(SheetEntry $entry, ?SiteEngine $engine): array
    {
        if ($entry instanceof Heading) {
            return ['id' => $entry->id, 'kind' => 'heading', 'text' => $entry->text];
        }
        if ($entry instanceof RawBlock) {
            return ['id' => $entry->id, 'kind' => 'raw', 'css' => $entry->css];
        }
        \assert($entry instanceof Override);
        $reach = self::reach($entry, $engine);

        return [
            ...OverrideReport::fields($entry),
            'marks' => MarkReport::of($engine?->pages() ?? [], $entry->marks),
            'kind' => 'override',
            'css' => SheetWriter::override($entry, true),
            'reach' => array_sum(array_map(count(...), $reach)),
            'pages' => count(array_filter($reach)),
            'sentence' => $engine === null ? [] : (new Sentence($engine->pages()))->of($entry, $reach),
        ];
    }

    /** @return array<string, list<int>> */
    private static function reach(Override $override, ?SiteEngine $engine): array
    {
        try {
            $list = SelectorParser::parse($override->selector);
        } catch (InvalidSelector) {
            return [];
        }

        return array_map(static function (Page $page) use ($override, $list): array {
            foreach ($override->wears as $wear) {
                $page = $wear->put($page);
            }

            return (new Matcher($page))->selectAny($list);
        }, $engine?->pages() ?? []);
    }
}
