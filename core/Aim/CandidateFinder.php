<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Syntax\Ident;

/**
 * How far a change could reach from one picked element: this one, its kind, its kind in each region around it, on this page
 * or kind of page only, and every element of its tag. Each candidate is counted on every page.
 */
final class CandidateFinder
{
    /** So many regions are offered at the most. */
    private const REGIONS = 4;

    /** And so many tones. */
    private const TONES = 12;

    private readonly LifetimeJudge $judge;

    /** @var array<string, Matcher> */
    private array $matchers = [];

    private readonly Scope $scope;

    /**
     * @param  array<string, Page>  $pages by path
     * @param  string  $scope  what the site puts in front of all selectors, or nothing
     * @param  array<string, Page>  $earlier  the pages of an older snapshot, if there is one
     */
    public function __construct(private readonly array $pages, string $scope = '', array $earlier = [])
    {
        $this->judge = LifetimeJudge::of($pages, $earlier);
        $this->scope = new Scope($scope, $pages);
    }

    /** @return non-empty-list<Candidate> the widest first within each kind; no two with the same selector */
    public function find(string $path, int $element): array
    {
        $page = $this->pages[$path];
        $noun = Nouns::of($page, $element);
        $kinds = $this->kinds($page, $element);
        $main = $kinds[0];
        $found = array_map(fn (string $kind): Candidate => $this->candidate('kind', $kind, "every $noun like this"), $kinds);
        $whole = $found[0]->count();
        $regions = $this->regions($page, $element);
        $narrowed = 0;
        foreach ($regions as [$region, $words]) {
            $candidate = $this->candidate('region', "$region $main", "each in the $words");
            if ($candidate->count() < $whole && $narrowed < self::REGIONS) {
                $found[] = $candidate;
                $whole = $candidate->count();
                $narrowed++;
            }
        }
        array_push($found, ...$this->onPages($page, $path, $main, $noun));
        $tag = $page->tags[$element];
        if ($main !== $tag) {
            $nearest = $regions === [] ? null : $regions[count($regions) - 1];
            if ($nearest !== null) {
                $found[] = $this->candidate('tag', "{$nearest[0]} $tag", "every $noun of any kind in the {$nearest[1]}");
            }
            $found[] = $this->candidate('tag', $tag, "every $noun of any kind");
        }
        $text = (new TextInside($this->pages))->in($path, $element, $main);
        if ($text !== null) {
            $found[] = $this->candidate('text', $text, "everything of text in every $noun like this, without icons, buttons and fields");
        }
        array_push($found, ...$this->one($page, $path, $element, $main, $regions));

        return $this->distinct($found);
    }

    /** @return list<array{string, Candidate}> each tone of the sections that its kind is in, that of its own first, with its kind there */
    public function tones(string $path, int $element): array
    {
        $found = [];
        foreach ((new Tones($this->pages, $this->judge))->around($this->pages[$path], $element) as $tone) {
            $candidate = $this->inTones($path, $element, [$tone]);
            if ($candidate->count() > 0) {
                $found[] = [$tone, $candidate];
            }
        }

        return array_slice($found, 0, self::TONES);
    }

    /** @param  non-empty-list<string>  $tones  classes */
    public function inTones(string $path, int $element, array $tones): Candidate
    {
        $page = $this->pages[$path];
        $names = array_map(static fn (string $tone): string => '.'.Ident::escape($tone), $tones);
        $region = count($names) === 1 ? $names[0] : ':is('.implode(', ', $names).')';
        $words = implode(' and ', array_map(static fn (string $tone): string => '“'.Nouns::words($tone).'”', $tones));

        return $this->candidate('tone', "$region {$this->kinds($page, $element)[0]}", 'each '.Nouns::of($page, $element)." like this in the $words sections");
    }

    /**
     * The one to begin with: its kind in the nearest wide region, where there is one, so that a first try reaches no further
     * than what can be seen around it.
     *
     * @param  non-empty-list<Candidate>  $candidates
     */
    public static function proposed(array $candidates): Candidate
    {
        $regions = array_values(array_filter($candidates, static fn (Candidate $c): bool => $c->kind === 'region'));
        // An id outweighs more than is needed for a first try.
        $light = array_values(array_filter($regions, static fn (Candidate $c): bool => $c->specificity->a === 0));

        return $light[0] ?? $regions[0] ?? $candidates[0];
    }

    /** @return non-empty-list<string> compounds for its kind, the plainest first */
    private function kinds(Page $page, int $element): array
    {
        $lasting = array_values(array_filter($page->classes[$element], fn (string $class): bool => $this->judge->judge($class) === Lifetime::Lasting));
        if ($lasting !== []) {
            // The class that most elements of the site wear names the kind, the others a variety of it.
            $uses = fn (string $class): int => array_sum(array_map(static fn (Page $p): int => count($p->byClass[$class] ?? []), $this->pages));
            usort($lasting, static fn (string $a, string $b): int => $uses($b) <=> $uses($a) ?: strlen($a) <=> strlen($b));

            return array_map(static fn (string $class): string => '.'.Ident::escape($class), $lasting);
        }
        $tag = $page->tags[$element];
        $type = $page->attribute($element, 'type');
        if ($type !== null && in_array($tag, ['input', 'button'], true)) {
            return [$tag.'[type='.Ident::quote($type).']'];
        }

        return [$tag];
    }

    /** @return list<array{string, string}> compound and words of each region around the element, the nearest last */
    private function regions(Page $page, int $element): array
    {
        $regions = [];
        foreach (array_slice($page->line($element), 1, -1) as $ancestor) {
            if ($page->tags[$ancestor] === 'body') {
                continue;
            }
            $noun = Nouns::of($page, $ancestor);
            $id = $page->attribute($ancestor, 'id');
            if ($id !== null && $id !== '' && $this->judge->judge($id) === Lifetime::Lasting) {
                $regions[] = ['#'.Ident::escape($id), '“'.Nouns::words($id)."” $noun"];
            }
            foreach ($page->classes[$ancestor] as $class) {
                if ($this->judge->judge($class) === Lifetime::Lasting) {
                    $regions[] = ['.'.Ident::escape($class), '“'.Nouns::words($class)."” $noun"];
                }
            }
            if (in_array($page->tags[$ancestor], ['header', 'footer', 'main', 'nav', 'aside', 'form', 'table', 'article'], true)) {
                $regions[] = [$page->tags[$ancestor], $noun];
            }
        }

        return $regions;
    }

    /** @return list<Candidate> by what the body carries on this page only, and on several */
    private function onPages(Page $page, string $path, string $kind, string $noun): array
    {
        $found = [];
        foreach ($this->pageMarks($page) as $mark => $shared) {
            $found[$shared === 1 ? 'page' : 'page-kind'] ??= $shared === 1
                ? $this->candidate('page', "$mark $kind", "each $noun like this on this page only")
                : $this->candidate('page-kind', "$mark $kind", "each $noun like this on this kind of page ($shared pages)");
        }

        return array_values($found);
    }

    /** @return array<string, int> compounds for the body, with the number of pages that have them; those that all have are left out */
    private function pageMarks(Page $page): array
    {
        $body = $page->byTag['body'][0] ?? null;
        if ($body === null || count($this->pages) < 2) {
            return [];
        }
        $marks = [];
        $id = $page->attribute($body, 'id');
        if ($id !== null && $this->judge->judge($id) === Lifetime::Lasting) {
            $marks['#'.Ident::escape($id)] = count(array_filter($this->pages, static fn (Page $p): bool => isset($p->byId[$id])));
        }
        foreach ($page->classes[$body] as $class) {
            if ($this->judge->judge($class) !== Lifetime::Generated) {
                $marks['.'.Ident::escape($class)] = count(array_filter($this->pages, static fn (Page $p): bool => isset($p->byTag['body'][0]) && $p->hasClass($p->byTag['body'][0], $class)));
            }
        }
        asort($marks);

        return array_filter($marks, fn (int $pages): bool => $pages < count($this->pages));
    }

    /**
     * The shortest selector that takes this element alone; then its generated id, where it has one, with the warning.
     *
     * @param  list<array{string, string}>  $regions
     * @return list<Candidate>
     */
    private function one(Page $page, string $path, int $element, string $kind, array $regions): array
    {
        $noun = Nouns::of($page, $element);
        $id = $page->attribute($element, 'id');
        $tries = [];
        $hasLastingId = $id !== null && $id !== '' && $this->judge->judge($id) === Lifetime::Lasting;
        if ($hasLastingId) {
            $tries[] = '#'.Ident::escape($id);
        }
        $own = implode('', array_map(static fn (string $c): string => '.'.Ident::escape($c), array_filter($page->classes[$element], fn (string $c): bool => $this->judge->judge($c) === Lifetime::Lasting)));
        $tries[] = $kind;
        $tries[] = $own;
        foreach (array_reverse($regions) as [$region]) {
            $tries[] = "$region $kind";
        }
        $marks = array_keys($this->pageMarks($page));
        foreach ($marks as $mark) {
            $tries[] = "$mark $kind";
            foreach (array_reverse($regions) as [$region]) {
                $tries[] = "$mark $region $kind";
            }
        }
        foreach (array_filter($tries) as $selector) {
            if ($this->isAlone($selector, $path, $element)) {
                $one = $this->candidate('one', $selector, "this $noun alone");
                break;
            }
        }
        $one ??= $this->byPosition($page, $path, $element, $kind, $marks, array_column($regions, 0), $noun);
        if ($id === null || $id === '' || $hasLastingId) {
            return [$one];
        }

        return [$one, $this->candidate('one', '#'.Ident::escape($id), "this $noun, by its id")];
    }

    /**
     * By its place among its siblings, within a region that tells the rest; or else by steps below the nearest thing that can be
     * told apart: a last resort, and said so.
     *
     * @param  list<string>  $marks
     * @param  list<string>  $regions
     */
    private function byPosition(Page $page, string $path, int $element, string $kind, array $marks, array $regions, string $noun): Candidate
    {
        $warning = 'It goes by position: it takes another one when something is put in before it.';
        $place = "$kind:nth-child(".($page->positions[$element] + 1).')';
        foreach (['', ...array_map(static fn (string $mark): string => "$mark ", $marks)] as $prefix) {
            foreach (array_reverse(['', ...array_map(static fn (string $region): string => "$region ", $regions)]) as $region) {
                if ($this->isAlone("$prefix$region$place", $path, $element)) {
                    return $this->candidate('one', "$prefix$region$place", "this $noun alone, by its position", [$warning]);
                }
            }
        }
        $steps = '';
        for ($at = $element; $page->parents[$at] >= 0; $at = $page->parents[$at]) {
            $step = ($at === $element ? $kind : $page->tags[$at]).':nth-child('.($page->positions[$at] + 1).')';
            $steps = $step.($steps === '' ? '' : " > $steps");
            $above = $page->parents[$at];
            $anchors = array_map(static fn (string $class): string => '.'.Ident::escape($class), array_filter($page->classes[$above], fn (string $c): bool => $this->judge->judge($c) === Lifetime::Lasting));
            $id = $page->attribute($above, 'id');
            if ($id !== null && $this->judge->judge($id) === Lifetime::Lasting) {
                array_unshift($anchors, '#'.Ident::escape($id));
            }
            foreach ($anchors as $anchor) {
                foreach (['', ...array_map(static fn (string $mark): string => "$mark ", $marks)] as $prefix) {
                    if ($this->isAlone("$prefix$anchor > $steps", $path, $element)) {
                        return $this->candidate('one', "$prefix$anchor > $steps", "this $noun alone, by its position", [$warning]);
                    }
                }
            }
        }
        $selector = ($marks[0] ?? '') === '' ? "html > $steps" : "{$marks[0]} ".(string) preg_replace('/\Abody:nth-child\(\d+\) > /', '> ', $steps);

        return $this->candidate('one', $selector, "this $noun, by its position", [$warning]);
    }

    private function isAlone(string $selector, string $path, int $element): bool
    {
        $reach = array_filter($this->reach($selector));

        return $reach === [$path => [$element]];
    }

    /** @param  list<string>  $reasons */
    private function candidate(string $kind, string $selector, string $words, array $reasons = []): Candidate
    {
        $selector = $this->scope->before($selector);
        $list = SelectorParser::parse($selector);
        foreach ($list->selectors[0]->compounds as $compound) {
            foreach ([...array_map(static fn (string $i): string => "#$i", $compound->ids), ...array_map(static fn (string $c): string => ".$c", $compound->classes)] as $part) {
                $reason = $this->judge->judge(substr($part, 1))->reason($part);
                if ($reason !== null) {
                    $reasons[] = $reason;
                }
            }
        }

        return new Candidate($kind, $selector, $words, $list->highest(), $this->reach($selector), $reasons);
    }

    /** @return array<string, list<int>> */
    private function reach(string $selector): array
    {
        $list = SelectorParser::parse($selector);
        $reach = [];
        foreach ($this->pages as $path => $page) {
            $reach[$path] = ($this->matchers[$path] ??= new Matcher($page))->selectAny($list);
        }

        return $reach;
    }

    /**
     * @param  non-empty-list<Candidate>  $candidates
     * @return non-empty-list<Candidate>
     */
    private function distinct(array $candidates): array
    {
        $seen = [];
        foreach ($candidates as $candidate) {
            $seen[$candidate->selector] ??= $candidate;
        }

        return array_values($seen);
    }
}
