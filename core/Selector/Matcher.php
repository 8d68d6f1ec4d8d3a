<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Page\Page;

/**
 * Selectors against one page: Selectors 4, section 18, from right to left.
 *
 * `select` looks first at the elements that the page lists under the rarest id, class or tag of the subject, and gives up
 * at once where the page lacks a name that the selector needs.
 */
final class Matcher
{
    private const USER_ACTIONS = ['hover' => 1, 'active' => 1, 'focus' => 1, 'focus-visible' => 1, 'focus-within' => 1, 'target' => 1, 'target-within' => 1];

    private readonly PseudoClassTest $pseudoClasses;

    private readonly bool $isResting;

    /** @var array<int, array{SelectorList, array<int, true>}> */
    private array $known = [];

    /** @param  int  $scope the element that `:scope` stands for */
    public function __construct(private readonly Page $page, States $states = new States, int $scope = 0)
    {
        $this->isResting = $states->isResting();
        $this->pseudoClasses = new PseudoClassTest($page, $states, $this, $scope);
    }

    /** @return list<int> the elements in document order, pseudo-elements left aside */
    public function select(ComplexSelector $selector): array
    {
        foreach ($selector->compounds as $compound) {
            if (! $this->isPossible($compound)) {
                return [];
            }
        }
        $last = count($selector->compounds) - 1;
        $found = [];
        foreach ($this->candidates($selector->compounds[$last]) as $element) {
            if ($this->matchesFrom($selector, $last, $element)) {
                $found[] = $element;
            }
        }

        return $found;
    }

    /** @return list<int> the elements that any selector of the list matches, in document order */
    public function selectAny(SelectorList $list): array
    {
        if (count($list->selectors) === 1) {
            return $this->select($list->selectors[0]);
        }
        $found = [];
        foreach ($list->selectors as $selector) {
            foreach ($this->select($selector) as $element) {
                $found[$element] = true;
            }
        }
        ksort($found);

        return array_keys($found);
    }

    /**
     * What any selector of the list matches, as a set: worked out once, as a nested rule's `&` asks for it again and again.
     *
     * @return array<int, true>
     */
    public function among(SelectorList $list): array
    {
        $id = spl_object_id($list);
        // The list is kept along with its answer, so that no other one gets its number.
        $this->known[$id] ??= [$list, array_fill_keys($this->selectAny($list), true)];

        return $this->known[$id][1];
    }

    public function matches(ComplexSelector $selector, int $element): bool
    {
        return $this->matchesFrom($selector, count($selector->compounds) - 1, $element);
    }

    public function matchesAny(SelectorList $list, int $element): bool
    {
        foreach ($list->selectors as $selector) {
            if ($this->matches($selector, $element)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a relative selector, as in `:has()`, finds anything from the element on. */
    public function finds(ComplexSelector $relative, int $anchor): bool
    {
        $page = $this->page;
        $siblings = $relative->leading === '+' || $relative->leading === '~';
        $parent = $page->parents[$anchor];
        [$from, $to] = $siblings
            ? [$page->ends[$anchor], $parent < 0 ? $page->ends[$anchor] : $page->ends[$parent]]
            : [$anchor + 1, $page->ends[$anchor]];
        $last = count($relative->compounds) - 1;
        for ($element = $from; $element < $to; $element++) {
            if ($this->matchesFrom($relative, $last, $element, $anchor)) {
                return true;
            }
        }

        return false;
    }

    /** Whether compounds 0 to $index match with $element as the subject; a relative selector must start at $anchor. */
    private function matchesFrom(ComplexSelector $selector, int $index, int $element, ?int $anchor = null): bool
    {
        if (! $this->matchesCompound($selector->compounds[$index], $element)) {
            return false;
        }
        if ($index <= 0) {
            return $anchor === null || $this->isReached($selector->leading, $element, $anchor);
        }
        $page = $this->page;
        switch ($selector->combinators[$index - 1]) {
            case '>':
                $parent = $page->parents[$element];

                return $parent >= 0 && $this->matchesFrom($selector, $index - 1, $parent, $anchor);
            case '+':
                $before = $this->previous($element);

                return $before >= 0 && $this->matchesFrom($selector, $index - 1, $before, $anchor);
            case '~':
                for ($before = $this->previous($element); $before >= 0; $before = $this->previous($before)) {
                    if ($this->matchesFrom($selector, $index - 1, $before, $anchor)) {
                        return true;
                    }
                }

                return false;
            default:
                for ($above = $page->parents[$element]; $above >= 0; $above = $page->parents[$above]) {
                    if ($this->matchesFrom($selector, $index - 1, $above, $anchor)) {
                        return true;
                    }
                }

                return false;
        }
    }

    private function isReached(string $combinator, int $element, int $anchor): bool
    {
        $page = $this->page;

        return match ($combinator) {
            '>' => $page->parents[$element] === $anchor,
            '+' => $this->previous($element) === $anchor,
            '~' => $page->parents[$element] === $page->parents[$anchor] && $page->positions[$element] > $page->positions[$anchor],
            default => $element > $anchor && $element < $page->ends[$anchor],
        };
    }

    private function previous(int $element): int
    {
        $parent = $this->page->parents[$element];
        $position = $this->page->positions[$element];

        return $parent < 0 || $position <= 0 ? -1 : $this->page->children[$parent][$position - 1];
    }

    private function matchesCompound(Compound $compound, int $element): bool
    {
        $page = $this->page;
        if ($compound->tag !== null && ! $this->hasTag($compound->tag, $element)) {
            return false;
        }
        if ($compound->namespace !== null && $compound->namespace !== $page->namespace($element)) {
            return false;
        }
        foreach ($compound->ids as $id) {
            $actual = $page->attributes[$element]['id'] ?? null;
            if ($actual !== $id && ! ($page->quirks && $actual !== null && strcasecmp($actual, $id) === 0)) {
                return false;
            }
        }
        foreach ($compound->classes as $class) {
            if (! in_array($class, $page->classes[$element], true) && ! ($page->quirks && $this->hasClassInAnyCase($element, $class))) {
                return false;
            }
        }
        foreach ($compound->attributes as $test) {
            if (! $test->accepts($page->attributes[$element][$test->name] ?? null, ! isset($page->foreign[$element]))) {
                return false;
            }
        }
        foreach ($compound->pseudoClasses as $pseudo) {
            if (! $this->pseudoClasses->accepts($pseudo, $element)) {
                return false;
            }
        }

        return true;
    }

    private function hasTag(string $tag, int $element): bool
    {
        $actual = $this->page->tags[$element];

        return $actual === $tag || (! isset($this->page->foreign[$element]) && $actual === strtolower($tag));
    }

    private function hasClassInAnyCase(int $element, string $class): bool
    {
        foreach ($this->page->classes[$element] as $actual) {
            if (strcasecmp($actual, $class) === 0) {
                return true;
            }
        }

        return false;
    }

    /** Whether the page has all the names that a compound needs; no need to look at any element where it hasn't. */
    private function isPossible(Compound $compound): bool
    {
        $page = $this->page;
        if ($page->quirks) {
            return true;
        }
        foreach ($compound->classes as $class) {
            if (! isset($page->byClass[$class])) {
                return false;
            }
        }
        foreach ($compound->ids as $id) {
            if (! isset($page->byId[$id])) {
                return false;
            }
        }
        foreach ($compound->pseudoClasses as $pseudo) {
            if (($this->isResting && isset(self::USER_ACTIONS[$pseudo->name])) || ($pseudo->name === '&' && $pseudo->selectors !== null && $this->among($pseudo->selectors) === [])) {
                return false;
            }
        }

        return $compound->tag === null || isset($page->byTag[$compound->tag]) || isset($page->byTag[strtolower($compound->tag)]);
    }

    /** @return list<int> all elements that the compound may match, and as few others as can be told at once */
    private function candidates(Compound $compound): array
    {
        $page = $this->page;
        if (! $page->quirks && $compound->ids !== []) {
            return $page->byId[$compound->ids[0]];
        }
        if (! $page->quirks && $compound->classes !== []) {
            $rarest = $page->byClass[$compound->classes[0]];
            foreach ($compound->classes as $class) {
                $rarest = count($page->byClass[$class]) < count($rarest) ? $page->byClass[$class] : $rarest;
            }

            return $rarest;
        }
        if ($compound->tag !== null && $page->foreign === []) {
            return $page->byTag[strtolower($compound->tag)] ?? [];
        }
        foreach ($compound->pseudoClasses as $pseudo) {
            if ($pseudo->name === 'root') {
                return [0];
            }
            if (in_array($pseudo->name, ['&', 'is', 'where'], true) && $pseudo->selectors !== null) {
                return array_keys($this->among($pseudo->selectors));
            }
        }

        return range(0, $page->count() - 1);
    }
}
