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
 *
 * @phpstan-type M array{elements: int, byElement: array{string, list<string>}, pseudo: array<string, array{string, list<string>}>, proximity: array<int, array<int, int>>, entries: int}
 */
final readonly class Matching
{
    /** How far the scope's root is from what stands in no scope: Cascade 6, 2.6. */
    private const UNSCOPED = 0xFFFFFFFF;

    /** The name under which entries inside `@container` are kept: whether they count depends on layout. */
    public const CONTAINED = '@container';

    /**
     * @param  Column<list<int>>  $byElement
     * @param  array<string, Column<list<int>>>  $pseudo  by pseudo-element
     * @param  array<int, array<int, int>>  $proximity  entry to element to the number of steps up to its scope root
     * @param  int  $entries  how many entries of the set were looked at
     */
    private function __construct(private int $elements, private Column $byElement, private array $pseudo, private array $proximity, private int $entries)
    {
    }

    public static function of(Page $page, StyleSet $set, Condition $condition, States $states): self
    {
        $count = $page->count();
        $found = (new self($count, self::none($count), [], [], 0))->extended($page, $set, $condition, $states);

        return new self($count, $found->byElement->flat($count), array_map(static fn (Column $c): Column => $c->flat($count), $found->pseudo), $found->proximity, $found->entries);
    }

    /** @return Column<list<int>> */
    private static function none(int $elements): Column
    {
        /** @var list<list<int>> $empty */
        $empty = array_fill(0, $elements, []);

        return Column::of($empty);
    }

    /**
     * In plain data, for keeping.
     *
     * @return M
     */
    public function pack(): array
    {
        $pack = fn (Column $column): array => $column->pack($this->elements, static fn (array $list): string => implode(',', $list), static fn (array $list): string => implode(',', $list));

        return ['elements' => $this->elements, 'byElement' => $pack($this->byElement), 'pseudo' => array_map($pack, $this->pseudo), 'proximity' => $this->proximity, 'entries' => $this->entries];
    }

    /** @param  M  $packed */
    public static function unpack(array $packed): self
    {
        return new self($packed['elements'], self::read($packed['byElement']), array_map(self::read(...), $packed['pseudo']), $packed['proximity'], $packed['entries']);
    }

    /**
     * @param  array{string, list<string>}  $column
     * @return Column<list<int>>
     */
    private static function read(array $column): Column
    {
        return Column::unpack($column, static fn (string $list): array => $list === '' ? [] : array_map(intval(...), explode(',', $list)));
    }

    /** @return list<int> */
    public function entriesOf(int $element): array
    {
        return $this->byElement->get($element);
    }

    /** @return list<int> */
    public function pseudoEntriesOf(int $element, string $pseudo): array
    {
        return isset($this->pseudo[$pseudo]) ? $this->pseudo[$pseudo]->get($element) : [];
    }

    public function proximity(int $entry, int $element): int
    {
        return $this->proximity[$entry][$element] ?? self::UNSCOPED;
    }

    /** @return list<int> the elements that extensions added entries to, in document order */
    public function touched(): array
    {
        $elements = array_keys($this->byElement->laid());
        sort($elements);

        return $elements;
    }

    /** @return array<string, list<int>> by pseudo-element, the same */
    public function touchedPseudo(): array
    {
        return array_filter(array_map(static function (Column $column): array {
            $elements = array_keys($column->laid());
            sort($elements);

            return $elements;
        }, $this->pseudo));
    }

    /** With the entries that a longer set adds at its end: how a draft is laid over what is known already. */
    public function extended(Page $page, StyleSet $set, Condition $condition, States $states): self
    {
        $proximity = $this->proximity;
        $matcher = new Matcher($page, $states);
        $count = $set->count();
        $added = $addedPseudo = [];
        for ($index = $this->entries; $index < $count; $index++) {
            $entry = $set->entry($index);
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
            if ($entry->rule->container !== null) {
                $name = self::CONTAINED.$name;
            }
            $hosts = $name === null ? null : PseudoNames::hosts($name);
            if ($hosts !== null) {
                $found = array_filter($found, static fn (int $e): bool => in_array($page->tags[$e], $hosts, true));
            }
            foreach ($found as $element) {
                if ($name === null) {
                    $added[$element][] = $index;
                } else {
                    $addedPseudo[$name][$element][] = $index;
                }
            }
        }
        $pseudo = $this->pseudo;
        foreach ($addedPseudo as $name => $elements) {
            $column = $pseudo[$name] ?? self::none($this->elements);
            $pseudo[$name] = self::merged($column, $elements, $set, $proximity);
        }

        return new self($this->elements, self::merged($this->byElement, $added, $set, $proximity), $pseudo, $proximity, $count);
    }

    /**
     * @param  Column<list<int>>  $column
     * @param  array<int, list<int>>  $added  entries by element
     * @param  array<int, array<int, int>>  $proximity
     * @return Column<list<int>> in ascending cascade order
     */
    private static function merged(Column $column, array $added, StyleSet $set, array $proximity): Column
    {
        $known = [];
        foreach ($added as $element => $entries) {
            $keys = [];
            foreach ([...$column->get($element), ...$entries] as $index) {
                $steps = $proximity[$index][$element] ?? null;
                // Outside scopes an entry has the same place on all elements.
                $keys[$index] = $steps === null ? $known[$index] ??= CascadeOrder::sortable($set->entry($index), self::UNSCOPED) : CascadeOrder::sortable($set->entry($index), $steps);
            }
            asort($keys, SORT_STRING);
            $added[$element] = array_keys($keys);
        }

        return $column->with($added);
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
