<?php

declare(strict_types=1);

namespace Insignum\Aim;

/**
 * More parts at once than pairs: what all that is meant has in common is put together, part by part, until no stranger is taken.
 *
 * The strangers are all elements that the first part takes and nobody marked. Where all parts together still take one of them,
 * nothing can do. Otherwise a beam search: of the selectors with so many parts, the few that promise most go on.
 */
final class Narrowing
{
    private const BEAM = 10;

    /** Parts of one selector. */
    private const MOST = 5;

    /** How many are tried, the cheapest first. */
    private const TRIED = 70;

    /** How much each halving of the strangers is worth, in the coin of Part's cost. */
    private const WORTH = 2.5;

    /** @var array<string, array{Part|Surrounding, string}> by a name for each, with a byte for each stranger: one where it is taken */
    private array $conditions = [];

    /**
     * @param  array<string, Part>  $own  of the elements themselves
     * @param  array<string, Part>  $places
     * @param  list<Surrounding>  $around  the outermost first
     * @param  list<Features>  $strangers
     */
    public function __construct(array $own, array $places, array $around, private readonly array $strangers)
    {
        foreach (['own' => $own, 'places' => $places] as $group => $parts) {
            foreach ($parts as $text => $part) {
                $this->conditions["$group $text"] = [$part, $this->taken($group, (string) $text)];
            }
        }
        foreach ($around as $i => $one) {
            $this->conditions["around $i"] = [$one, $this->taken([' ' => 'above', ' > ' => 'parent', ' + ' => 'before'][$one->combinator], $one->part->text)];
        }
        uasort($this->conditions, static fn (array $a, array $b): int => self::cost($a[0]) <=> self::cost($b[0]));
    }

    /**
     * @param  string  $first  the part that takes the strangers
     * @return list<Option> that take none of them, the cheapest first
     */
    public function without(string $first): array
    {
        $first = "own $first";
        // What begins it may be dear, and is never left out.
        $this->conditions = [$first => $this->conditions[$first]] + $this->conditions;
        $this->conditions = array_slice($this->conditions, 0, self::TRIED, true);
        $none = str_repeat("\0", count($this->strangers));
        $all = str_repeat("\1", count($this->strangers));
        if (array_reduce($this->conditions, static fn (string $left, array $c): string => $left & $c[1], $all) !== $none) {
            return [];
        }
        $beam = [[[$first], $all, self::cost($this->conditions[$first][0])]];
        $found = [];
        for ($depth = 1; $depth < self::MOST && $beam !== []; $depth++) {
            $next = [];
            foreach ($beam as [$chosen, $left, $cost]) {
                foreach ($this->conditions as $key => [$condition, $taken]) {
                    $cut = $left & $taken;
                    if ($cut === $left || ! $this->goesWith($condition, $chosen)) {
                        continue;
                    }
                    $both = [...$chosen, $key];
                    $name = $both;
                    sort($name);
                    $name = implode("\0", $name);
                    $price = $cost + self::cost($condition);
                    if ($cut === $none) {
                        $found[$name] = [$both, $price];
                    } else {
                        $next[$name] = [$both, $cut, $price, $price + self::WORTH * log(1 + substr_count($cut, "\1"), 2)];
                    }
                }
            }
            uasort($next, static fn (array $a, array $b): int => $a[3] <=> $b[3]);
            $beam = array_map(static fn (array $state): array => array_slice($state, 0, 3), array_slice(array_values($next), 0, self::BEAM));
        }
        uasort($found, static fn (array $a, array $b): int => $a[1] <=> $b[1]);

        return array_map(fn (array $one): Option => $this->option($one[0]), array_slice(array_values($found), 0, self::BEAM));
    }

    private function taken(string $group, string $text): string
    {
        return implode('', array_map(static fn (Features $one): string => isset($one->{$group}[$text]) ? "\1" : "\0", $this->strangers));
    }

    private static function cost(Part|Surrounding $condition): float
    {
        return $condition instanceof Surrounding ? $condition->cost() : $condition->cost;
    }

    /**
     * One tag, and one thing right beside it, is all that a selector has room for.
     *
     * @param  list<string>  $chosen
     */
    private function goesWith(Part|Surrounding $condition, array $chosen): bool
    {
        foreach ($chosen as $key) {
            $other = $this->conditions[$key][0];
            if ($condition instanceof Part ? $other instanceof Part && $condition->isTag() && $other->isTag() : $other instanceof Surrounding && $condition->combinator !== ' ' && $other->combinator !== ' ') {
                return false;
            }
        }

        return true;
    }

    /** @param  list<string>  $chosen */
    private function option(array $chosen): Option
    {
        $parts = $around = [];
        foreach (array_intersect_key($this->conditions, array_flip($chosen)) as $key => [$condition]) {
            if ($condition instanceof Part) {
                $parts[] = $condition;
            } else {
                $around[(int) substr($key, 7)] = $condition;
            }
        }
        // The tag first and the place last; what is right beside it first, and then outwards.
        usort($parts, static fn (Part $a, Part $b): int => [! $a->isTag(), $a->isPlace, $a->cost] <=> [! $b->isTag(), $b->isPlace, $b->cost]);
        uksort($around, static fn (int $a, int $b): int => [$around[$a]->combinator === ' ', $b] <=> [$around[$b]->combinator === ' ', $a]);
        $option = Option::of($parts[0], 0);
        foreach (array_slice($parts, 1) as $part) {
            $option = $option->and($part, 0);
        }
        foreach ($around as $one) {
            $option = $option->within($one);
        }

        return $option;
    }
}
