<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Selector\States;

/**
 * The computed styles of a page under one condition.
 *
 * Elements with the same parent style and the same matching declarations share a style, so a page has far fewer styles than
 * elements, and two of them are compared by identity first.
 *
 * @phpstan-type P array{matching: array{list<list<int>>, array<string, array<int, list<int>>>, array<int, array<int, int>>, int}, styles: list<array{array<string, string>, array<string, string>, float, array{string, array{?float, ?float, ?float}, ?float, bool}, bool, bool}>, of: list<int>}
 */
final readonly class PageStyles
{
    /** @param  list<Style>  $styles by element */
    private function __construct(
        public Page $page,
        public string $path,
        public StyleSet $set,
        public Condition $condition,
        public States $states,
        public Matching $matching,
        public Cascade $cascade,
        public array $styles,
        private StyleComputer $computer,
        private Declarations $declarations,
    ) {
    }

    public static function of(Page $page, string $path, StyleSet $set, Condition $condition, Declarations $declarations, States $states = new States): self
    {
        $matching = Matching::of($page, $set, $condition, $states);
        $cascade = new Cascade($page, $set, $matching, $declarations);
        $computer = new StyleComputer($declarations, $condition, $set->registered);
        $styles = self::recompute($page, $path, $cascade, $computer, [], [0]);

        return new self($page, $path, $set, $condition, $states, $matching, $cascade, $styles, $computer, $declarations);
    }

    /**
     * In plain data, for keeping: each style once, and which element has which.
     *
     * @return P
     */
    public function pack(): array
    {
        $numbers = $styles = $of = [];
        foreach ($this->styles as $style) {
            $id = spl_object_id($style);
            if (! isset($numbers[$id])) {
                $numbers[$id] = count($styles);
                $styles[] = $style->pack();
            }
            $of[] = $numbers[$id];
        }

        return ['matching' => $this->matching->pack(), 'styles' => $styles, 'of' => $of];
    }

    /**
     * What `pack` gave, for the same page, set and condition, with no state on.
     *
     * @param  P  $packed
     */
    public static function unpack(array $packed, Page $page, string $path, StyleSet $set, Condition $condition, Declarations $declarations): self
    {
        $matching = Matching::unpack($packed['matching']);
        $styles = array_map(Style::unpack(...), $packed['styles']);
        $of = array_map(static fn (int $number): Style => $styles[$number], $packed['of']);
        $computer = new StyleComputer($declarations, $condition, $set->registered);
        $computer->startFrom($of[0]);

        return new self($page, $path, $set, $condition, States::none(), $matching, new Cascade($page, $set, $matching, $declarations), $of, $computer, $declarations);
    }

    /**
     * The same page under a set that adds entries at its end. Only elements which those match, and what is below them where
     * their style changed, are computed again; all others keep the very same Style.
     */
    public function with(StyleSet $set): self
    {
        $matching = $this->matching->extended($this->page, $set, $this->condition, $this->states);
        $cascade = new Cascade($this->page, $set, $matching, $this->declarations);
        $styles = self::recompute($this->page, $this->path, $cascade, $this->computer, $this->styles, $matching->touched);

        return new self($this->page, $this->path, $set, $this->condition, $this->states, $matching, $cascade, $styles, $this->computer, $this->declarations);
    }

    /** @return array<string, string> the tracked properties of an element; all empty where it has no computed style */
    public function tracked(int $element): array
    {
        return $this->page->isFallback($element) ? array_fill_keys(PropertyTable::TRACKED, '') : $this->styles[$element]->tracked();
    }

    /** The style of a pseudo-element such as `before`; null where no rule is about it. */
    public function pseudo(int $element, string $pseudo): ?Style
    {
        if (! isset($this->matching->pseudo[$pseudo][$element])) {
            return null;
        }
        $rollback = fn (string $property): ?Contender => $this->cascade->rollback($element, $property, $pseudo);

        return $this->computer->compute($this->cascade->pseudoWinners($element, $pseudo), $this->styles[$element], $rollback, $this->path);
    }

    /**
     * The touched elements again, and what is below them as far as styles differ; all others keep the Style they have.
     *
     * @param  array<int, Style>  $known  by element; none at first
     * @param  list<int>  $touched  in document order
     * @return list<Style>
     */
    private static function recompute(Page $page, string $path, Cascade $cascade, StyleComputer $computer, array $known, array $touched): array
    {
        $styles = $known;
        $isTouched = array_fill_keys($touched, true);
        $shared = [];
        $done = 0;
        foreach ($touched as $top) {
            for ($element = max($top, $done); $element < $page->ends[$top]; $element++) {
                $parent = $page->parents[$element];
                $above = $parent < 0 ? null : $styles[$parent];
                if (isset($known[$element]) && ! isset($isTouched[$element]) && ($parent < 0 || $above === $known[$parent])) {
                    continue;
                }
                $slot = Slot::above($page, $element);
                $key = ($above === null ? '' : spl_object_id($above)).$slot->name.'|'.$cascade->signature($element);
                $styles[$element] = $shared[$key] ??= $computer->compute(
                    $cascade->winners($element),
                    $above,
                    static fn (string $property): ?Contender => $cascade->rollback($element, $property),
                    $path,
                    $slot,
                );
            }
            $done = max($done, $page->ends[$top]);
        }

        return array_values($styles);
    }
}
