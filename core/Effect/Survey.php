<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\States;
use Insignum\Sheet\Override;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Style\Library;
use Insignum\Style\PropertyTable;

/** One override tried on the whole site: what it reaches, and what changes with it against the sheet without it. */
final class Survey
{
    /** Where a draft's url() count from, and the name under which its rules are told. */
    public const SHEET_PATH = '/insignum.css';

    /** @param  list<SitePage>  $pages */
    public function __construct(private readonly array $pages, private readonly Library $library, private readonly PropertyTable $table)
    {
    }

    /** @return array<string, Page> by path */
    public function pages(): array
    {
        return array_column(array_map(static fn (SitePage $site): array => [$site->path, $site->page], $this->pages), 1, 0);
    }

    /**
     * @param  Sheet  $sheet  the draft; the override takes the place of the entry with its id, or comes last
     * @param  ?Override  $added  one more that comes with it
     * @param  ?string  $state  to look at it in, where that isn't its own
     *
     * @throws InvalidSelector
     */
    public function of(Override $override, Sheet $sheet, ?Override $added = null, ?string $state = null): SurveyResult
    {
        $target = SelectorParser::parse($override->selector);
        SelectorParser::parse($override->fullSelector());
        $meant = $override->meant === '' ? $target : SelectorParser::parse($override->meant);
        $without = new Overlay($this->library->compile(SheetWriter::live($sheet->without($override->id)), self::SHEET_PATH));
        $changed = $sheet->with($override->switched(true));
        $with = new Overlay($this->library->compile(SheetWriter::live($added === null ? $changed : $changed->with($added)), self::SHEET_PATH));
        $finder = new EffectFinder($this->table, visibleOnly: true);
        $marked = MarkedElements::of($this->pages, $override->marks);
        $reach = $changes = $before = $after = [];
        foreach ($this->pages as $site) {
            $site = $site->wearing(...$override->wears);
            $reached = $this->reached($site, $target);
            $reach[$site->path] = $reached;
            if ($reached === []) {
                continue;
            }
            $theme = $site->theme(States::on($site->page, $state ?? $override->state, $reached));
            $before[$site->path] = $without->on($theme);
            $after[$site->path] = $with->on($theme);
            $intended = $marked->intended($site->path, $this->reached($site, $meant));
            array_push($changes, ...$finder->between($site->path, $before[$site->path], $after[$site->path], array_fill_keys($reached, true), $intended));
        }

        return new SurveyResult($reach, $changes, $before, $after, $marked);
    }

    /** @return list<int> */
    private function reached(SitePage $site, SelectorList $selectors): array
    {
        return (new Matcher($site->page))->selectAny($selectors);
    }
}
