<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\PseudoNames;
use Insignum\Selector\States;

/**
 * Which entries of a style set match which elements of a page.
 *
 * Entries are given by index, each list in ascending cascade order for normal declarations; those with a pseudo-element are
 * kept apart, under its name.
 */
final readonly class Matching
{
    /**
     * @param  list<list<int>>  $byElement
     * @param  array<string, array<int, list<int>>>  $pseudo
     * @param  array<int, array<int, int>>  $proximity  entry to element to the number of steps up to its scope root
     * @param  list<int>  $touched  the elements that the last extension added entries to, in document order
     */
    private function __construct(public array $byElement, public array $pseudo, public array $proximity, public int $entries, public array $touched = [])
    {
    }

    public static function of(Page $page, StyleSet $set, Condition $condition, States $states): self
    {
        return (new self(array_fill(0, $page->count(), []), [], [], 0))->extended($page, $set, $condition, $states);
    }

    /**
     * In plain data, for keeping.
     *
     * @return array{list<list<int>>, array<string, array<int, list<int>>>, array<int, array<int, int>>, int}
     */
    public function pack(): array
    {
        return [$this->byElement, $this->pseudo, $this->proximity, $this->entries];
    }

    /** @param  array{list<list<int>>, array<string, array<int, list<int>>>, array<int, array<int, int>>, int}  $packed */
    public static function unpack(array $packed): self
    {
        return new self(...$packed);
    }

    /** With the entries that a longer set adds at its end: how a draft is laid over what is known already. */
    public function extended(Page $page, StyleSet $set, Condition $condition, States $states): self
    {
        $byElement = $this->byElement;
        $pseudo = $this->pseudo;
        $proximity = $this->proximity;
        $matcher = new Matcher($page, $states);
        $count = count($set->entries);
        $touched = $touchedPseudo = [];
        for ($index = $this->entries; $index < $count; $index++) {
            $entry = $set->entries[$index];
            if (! $entry->accepts($condition)) {
                continue;
            }
            $found = $entry->rule->scope === null
                ? $matcher->select($entry->selector)
                : self::scoped($page, $states, $matcher, $entry, $index, $proximity);
            if ($entry->origin === Origin::Browser && $page->foreign !== []) {
                // The browser's sheet is about HTML, but for its own rules on SVG and MathML.
                $isForeign = in_array($entry->selector->compounds[0]->tag, ['svg', 'math'], true);
                $found = array_values(array_filter($found, static fn (int $e): bool => isset($page->foreign[$e]) === $isForeign));
            }
            $name = $entry->selector->pseudoElement;
            $hosts = $name === null ? null : PseudoNames::hosts($name);
            if ($hosts !== null) {
                $found = array_filter($found, static fn (int $e): bool => in_array($page->tags[$e], $hosts, true));
            }
            foreach ($found as $element) {
                if ($name === null) {
                    $byElement[$element][] = $index;
                    $touched[$element] = true;
                } else {
                    $pseudo[$name][$element][] = $index;
                    $touchedPseudo[$name][$element] = true;
                }
            }
        }
        foreach (array_keys($touched) as $element) {
            $byElement[$element] = self::sorted($byElement[$element], $element, $set, $proximity);
        }
        foreach ($touchedPseudo as $name => $elements) {
            foreach (array_keys($elements) as $element) {
                $pseudo[$name][$element] = self::sorted($pseudo[$name][$element], $element, $set, $proximity);
            }
        }

        $all = array_keys($touched);
        sort($all);

        return new self($byElement, $pseudo, $proximity, $count, $all);
    }

    /**
     * @param  list<int>  $entries
     * @param  array<int, array<int, int>>  $proximity
     * @return list<int> in ascending cascade order
     */
    private static function sorted(array $entries, int $element, StyleSet $set, array $proximity): array
    {
        if (count($entries) < 2) {
            return $entries;
        }
        $keys = [];
        foreach ($entries as $index) {
            $keys[$index] = CascadeOrder::sortable($set->entries[$index], $proximity[$index][$element] ?? 0);
        }
        asort($keys, SORT_STRING);

        return array_keys($keys);
    }

    /**
     * Cascade 6, 2.5: within the nearest root and not within a limit; `:scope` is the root.
     *
     * @param  array<int, array<int, int>>  $proximity
     * @return list<int>
     */
    private static function scoped(Page $page, States $states, Matcher $matcher, Entry $entry, int $index, array &$proximity): array
    {
        $scope = $entry->rule->scope;
        $roots = $scope?->roots === null ? [0] : $matcher->selectAny($scope->roots);
        $found = [];
        foreach ($roots as $root) {
            $inside = new Matcher($page, $states, $root);
            $limits = $scope?->limits === null ? [] : $inside->selectAny($scope->limits);
            foreach ($inside->select($entry->selector) as $element) {
                if ($element < $root || $element >= $page->ends[$root]) {
                    continue;
                }
                foreach ($limits as $limit) {
                    if ($limit > $root && $element >= $limit && $element < $page->ends[$limit]) {
                        continue 2;
                    }
                }
                $steps = 0;
                for ($at = $element; $at !== $root; $at = $page->parents[$at]) {
                    $steps++;
                }
                $proximity[$index][$element] = min($steps, $proximity[$index][$element] ?? PHP_INT_MAX);
                $found[$element] = true;
            }
        }
        ksort($found);

        return array_keys($found);
    }
}
