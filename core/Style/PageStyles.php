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
 * @phpstan-import-type M from Matching
 *
 * @phpstan-type P array{matching: M, styles: array{string, list<string>}}
 */
final readonly class PageStyles
{
    /** @param  Column<Style>  $styles */
    private function __construct(
        public Page $page,
        public string $path,
        public StyleSet $set,
        public Condition $condition,
        public States $states,
        public Matching $matching,
        public Cascade $cascade,
        private Column $styles,
        private StyleComputer $computer,
        private Declarations $declarations,
    ) {
    }

    public static function of(Page $page, string $path, StyleSet $set, Condition $condition, Declarations $declarations, States $states = new States): self
    {
        $matching = Matching::of($page, $set, $condition, $states);
        $cascade = new Cascade($page, $set, $matching, $declarations);
        $computer = new StyleComputer($declarations, $condition, $set->registered);
        $styles = Column::of(self::recompute($page, $path, $cascade, $computer, null, [0]));

        return new self($page, $path, $set, $condition, $states, $matching, $cascade, $styles, $computer, $declarations);
    }

    /**
     * In plain data, for keeping: each style once, and which element has which.
     *
     * @return P
     */
    public function pack(): array
    {
        return ['matching' => $this->matching->pack(), 'styles' => $this->styles->pack($this->page->count(), spl_object_id(...), static fn (Style $style): string => serialize($style->pack()))];
    }

    /**
     * What `pack` gave, for the same page, set and condition, with no state on.
     *
     * @param  P  $packed
     */
    public static function unpack(array $packed, Page $page, string $path, StyleSet $set, Condition $condition, Declarations $declarations): self
    {
        $matching = Matching::unpack($packed['matching']);
        $styles = Column::unpack($packed['styles'], static fn (string $style): Style => Style::unpack(unserialize($style, ['allowed_classes' => false])));
        $computer = new StyleComputer($declarations, $condition, $set->registered);
        $computer->startFrom($styles->get(0));

        return new self($page, $path, $set, $condition, States::none(), $matching, new Cascade($page, $set, $matching, $declarations), $styles, $computer, $declarations);
    }

    public function style(int $element): Style
    {
        return $this->styles->get($element);
    }

    /** @return list<Style> by element */
    public function all(): array
    {
        return array_map($this->styles->get(...), range(0, $this->page->count() - 1));
    }

    /**
     * The elements that may have another style than under the given styles of the same page.
     *
     * @return list<int> in document order
     */
    public function differing(self $other): array
    {
        if ($this->styles->lowest() !== $other->styles->lowest()) {
            return range(0, $this->page->count() - 1);
        }
        $elements = array_keys($this->styles->laid() + $other->styles->laid());
        sort($elements);

        return $elements;
    }

    /**
     * The same page under a set that adds entries at its end. Only elements which those match, and what is below them where
     * their style changed, are computed again; all others keep the very same Style.
     */
    public function with(StyleSet $set): self
    {
        $matching = $this->matching->extended($this->page, $set, $this->condition, $this->states);
        $cascade = new Cascade($this->page, $set, $matching, $this->declarations);
        $styles = $this->styles->with(self::recompute($this->page, $this->path, $cascade, $this->computer, $this->styles, $matching->touched()));

        return new self($this->page, $this->path, $set, $this->condition, $this->states, $matching, $cascade, $styles, $this->computer, $this->declarations);
    }

    /** @return array<string, string> the tracked properties of an element; all empty where it has no computed style */
    public function tracked(int $element): array
    {
        return $this->page->isFallback($element) ? array_fill_keys(PropertyTable::TRACKED, '') : $this->styles->get($element)->tracked();
    }

    /** The style of a pseudo-element such as `before`; null where no rule is about it. */
    public function pseudo(int $element, string $pseudo): ?Style
    {
        if ($this->matching->pseudoEntriesOf($element, $pseudo) === []) {
            return null;
        }
        $rollback = fn (string $property): ?Contender => $this->cascade->rollback($element, $property, $pseudo);

        return $this->computer->compute($this->cascade->pseudoWinners($element, $pseudo), $this->styles->get($element), $rollback, $this->path);
    }

    /**
     * The touched elements again, and what is below them as far as styles differ.
     *
     * @param  ?Column<Style>  $known  none at first
     * @param  list<int>  $touched  in document order
     * @return array<int, Style> by element; those that keep the Style they have are left out
     */
    private static function recompute(Page $page, string $path, Cascade $cascade, StyleComputer $computer, ?Column $known, array $touched): array
    {
        $isTouched = array_fill_keys($touched, true);
        $styles = $shared = [];
        $done = 0;
        foreach ($touched as $top) {
            for ($element = max($top, $done); $element < $page->ends[$top]; $element++) {
                $parent = $page->parents[$element];
                if ($known !== null && ! isset($isTouched[$element]) && ! isset($styles[$parent])) {
                    continue;
                }
                $above = $parent < 0 ? null : $styles[$parent] ?? $known?->get($parent);
                $slot = Slot::above($page, $element);
                $boxing = Boxing::of($page, $element);
                $key = ($above === null ? '' : spl_object_id($above)).$slot->name.$boxing->name.$cascade->signature($element);
                $styles[$element] = $shared[$key] ??= $computer->compute(
                    $cascade->winners($element),
                    $above,
                    static fn (string $property): ?Contender => $cascade->rollback($element, $property),
                    $path,
                    $slot,
                    $boxing,
                );
            }
            $done = max($done, $page->ends[$top]);
        }

        return $styles;
    }
}
