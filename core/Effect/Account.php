<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\States;
use Insignum\Sheet\Override;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Style\Condition;
use Insignum\Style\Library;
use Insignum\Style\PageStyles;
use Insignum\Style\PropertyTable;

/** All that a whole sheet changes on a site, under several widths and states at once, meant or not, and by which override. */
final class Account
{
    /** Widths that are looked at in any case: a phone, a tablet, a desktop. */
    private const WIDTHS = [375, 768, 1280];

    private readonly EffectFinder $finder;

    /** @var array<string, array{?SelectorList, SelectorList}> for each override, what was meant where it says so, and its selector */
    private array $selectors = [];

    /** @var array<int, string> where each override begins in the sheet's text */
    private array $places;

    /** @param  \Closure(Condition): list<SitePage>  $site the pages under the theme alone */
    public function __construct(private readonly \Closure $site, private readonly Library $library, PropertyTable $table, private readonly Sheet $sheet)
    {
        $this->finder = new EffectFinder($table, visibleOnly: true);
        $this->places = SheetWriter::places($sheet);
        foreach ($sheet->active() as $override) {
            try {
                $this->selectors[$override->id] = [$override->meant === '' ? null : SelectorParser::parse($override->meant), SelectorParser::parse($override->selector)];
            } catch (InvalidSelector) {
                continue;
            }
        }
    }

    /** @return non-empty-list<Viewing> the least that shows each override once in its width range and state */
    public static function viewings(Sheet $sheet): array
    {
        $viewings = [];
        foreach (self::WIDTHS as $width) {
            $viewings[(string) $width] = new Viewing(new Condition($width));
        }
        foreach ($sheet->active() as $override) {
            foreach ($override->ranges() as $range) {
                $viewing = new Viewing(new Condition($range->nearest(1280)), $override->state, $override->wears);
                $viewings[$viewing->label()] ??= $viewing;
            }
        }

        return array_values($viewings);
    }

    /**
     * @param  list<Viewing>  $viewings
     * @param  ?callable(int, int): void  $progress  told after each page how many are done, and of how many
     * @return list<SeenChange> by page and in document order
     */
    public function of(array $viewings, ?callable $progress = null): array
    {
        $overlay = new Overlay($this->library->compile(SheetWriter::live($this->sheet), Survey::SHEET_PATH));
        $found = [];
        $done = 0;
        foreach ($viewings as $viewing) {
            $pages = ($this->site)($viewing->condition);
            foreach ($pages as $site) {
                foreach ($this->onPage($site->wearing(...$viewing->wears), $overlay, $viewing) as [$change, $by, $isAccepted]) {
                    $key = "{$change->page}|{$change->element}|{$change->pseudo}|{$by}|".json_encode($change->properties, JSON_THROW_ON_ERROR);
                    $found[$key] ??= [$change, $by, [], $isAccepted];
                    $found[$key][2][] = $viewing;
                }
                if ($progress !== null) {
                    $progress(++$done, count($viewings) * count($pages));
                }
            }
        }
        $seen = array_map(static fn (array $f): SeenChange => new SeenChange(...$f), array_values($found));
        usort($seen, static fn (SeenChange $a, SeenChange $b): int => [$a->change->page, $a->change->element] <=> [$b->change->page, $b->change->element]);

        return $seen;
    }

    /** @return iterable<array{Change, ?string, bool}> the change, the override that did it, and whether it was accepted */
    private function onPage(SitePage $site, Overlay $overlay, Viewing $viewing): iterable
    {
        $matcher = new Matcher($site->page);
        $reach = [];
        $inState = [];
        $marked = [];
        foreach ($this->sheet->active() as $override) {
            $marked[$override->id] = MarkedElements::of([$site], $override->marks);
        }
        $states = array_column(array_map(static fn (Override $o): array => [$o->id, $o->state], $this->sheet->active()), 1, 0);
        foreach ($this->selectors as $id => [$meant, $selector]) {
            $reach[$id] = $marked[$id]->intended($site->path, $matcher->selectAny($meant ?? $selector));
            if ($viewing->state !== '' && ($states[$id] ?? '') === $viewing->state) {
                $inState += array_fill_keys($matcher->selectAny($selector), true);
            }
        }
        if ($viewing->state !== '' && $inState === []) {
            return;
        }
        $before = $site->theme(States::on($site->page, $viewing->state, array_keys($inState)));
        $after = $overlay->on($before);
        foreach ($this->finder->between($site->path, $before, $after, array_fill_keys($after->matching->touched(), true), []) as $change) {
            $by = $this->overrideBehind($after, $change);
            yield [$by !== null && isset($reach[$by][$change->element]) ? $change->meant() : $change, $by, $by !== null && $marked[$by]->isAccepted($change->page, $change->element)];
        }
    }

    /** The override that set the first of the changed properties that any did: on the element, or on what it inherits from. */
    private function overrideBehind(PageStyles $after, Change $change): ?string
    {
        foreach (array_keys($change->properties) as $property) {
            $pseudo = $change->pseudo;
            for ($at = $change->element; $at >= 0; $at = $after->page->parents[$at]) {
                $winner = $after->cascade->contenders($at, $property === 'background-position' ? 'background-position-x' : $property, $pseudo)[0] ?? null;
                $pseudo = null;
                if ($winner?->entry?->sheet->path === Survey::SHEET_PATH) {
                    return SheetWriter::entryAt($this->places, $winner->setting->declaration->start);
                }
                if ($winner !== null && $at !== $change->element) {
                    break;
                }
            }
        }

        return $this->nearestTouching($after, $change->element);
    }

    /** Where no property leads to one, as with custom properties: the override that touches the nearest element above. */
    private function nearestTouching(PageStyles $after, int $element): ?string
    {
        for ($at = $element; $at >= 0; $at = $after->page->parents[$at]) {
            foreach (array_reverse($after->matching->entriesOf($at)) as $index) {
                $entry = $after->set->entry($index);
                if ($entry->sheet->path === Survey::SHEET_PATH) {
                    return SheetWriter::entryAt($this->places, $entry->rule->offset);
                }
            }
        }

        return null;
    }
}
