<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** Selectors put together from what all that is meant has in common, alone and in its surroundings. */
final class Combinations
{
    /** So many subjects and surroundings are combined, the cheapest first. */
    private const SUBJECTS = 24;

    private const AROUND = 70;

    private const TWICE_AROUND = 18;

    private const TWICE_SUBJECTS = 6;

    /** Parts that cost more than this are no second surrounding. */
    private const DEAR = 7.0;

    /** With so many others that share a part a selector is narrowed down part by part; more would take too long. */
    private const STRANGERS = 240;

    /** @var array<string, Features> */
    private array $features = [];

    public function __construct(private readonly Census $census, private readonly Parts $parts)
    {
    }

    /**
     * Every way to put together what all that is meant has in common.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Option> the cheapest first
     */
    public function of(array $meant, array $kept, bool $byPosition): array
    {
        $wanted = $this->features($meant, $byPosition);
        $spared = $this->features($kept, $byPosition);
        $subjects = $this->subjects($wanted, $spared, $byPosition);
        $around = $this->surroundings($wanted, $spared);
        $above = array_values(array_filter($around, static fn (Surrounding $s): bool => $s->combinator === ' '));
        usort($around, static fn (Surrounding $a, Surrounding $b): int => $a->cost() <=> $b->cost());
        $options = $subjects;
        foreach ($subjects as $number => $subject) {
            foreach (array_slice($around, 0, self::AROUND) as $place => $one) {
                $near = $subject->within($one);
                $options[] = $near;
                foreach ($number < self::TWICE_SUBJECTS && $place < self::TWICE_AROUND ? $above : [] as $outer) {
                    if ($outer->part !== $one->part && $outer->part->cost < self::DEAR) {
                        $options[] = $near->within($outer);
                    }
                }
            }
        }
        usort($options, static fn (Option $a, Option $b): int => $a->cost <=> $b->cost);

        return $options;
    }

    /**
     * Where no pair of parts tells it from all else: as many as it takes.
     *
     * @param  array<string, list<int>>  $meant
     * @return list<Option>
     */
    public function narrowed(array $meant, string $set): array
    {
        $wanted = $this->features($meant, true);
        $own = self::common($wanted, 'own');
        uasort($own, static fn (Part $a, Part $b): int => $a->cost <=> $b->cost);
        foreach ($own as $text => $first) {
            $strangers = $first->set() & ~$set;
            if ($this->census->count($strangers) <= self::STRANGERS) {
                $narrowing = new Narrowing($own, self::common($wanted, 'places'), $this->surroundings($wanted, []), $this->features($this->census->elements($strangers), true));

                return $narrowing->without((string) $text);
            }
        }

        return [];
    }

    /**
     * @param  list<Features>  $wanted
     * @param  list<Features>  $spared
     * @return list<Surrounding> the outermost first
     */
    private function surroundings(array $wanted, array $spared): array
    {
        return [
            ...$this->around($wanted, $spared, 'above', ' ', fn (Part $p): string => $this->census->inside($p->text, $p->set())),
            ...$this->around($wanted, $spared, 'parent', ' > ', fn (Part $p): string => $this->census->childrenOf($p->text, $p->set())),
            ...$this->around($wanted, $spared, 'before', ' + ', fn (Part $p): string => $this->census->after($p->text, $p->set())),
        ];
    }

    /**
     * @param  array<string, list<int>>  $elements
     * @return list<Features>
     */
    private function features(array $elements, bool $byPosition): array
    {
        $features = [];
        foreach ($elements as $path => $list) {
            foreach ($list as $element) {
                $features[] = $this->features["$path#$element#".(int) $byPosition] ??= Features::of($this->census, $this->parts, $path, $element, $byPosition);
            }
        }

        return $features;
    }

    /**
     * The parts that all have in one of their groups.
     *
     * @param  list<Features>  $features
     * @param  'own'|'places'|'above'|'parent'|'before'  $group
     * @return array<string, Part>
     */
    private static function common(array $features, string $group): array
    {
        $common = $features[0]->{$group};
        foreach (array_slice($features, 1) as $other) {
            $common = array_intersect_key($common, $other->{$group});
        }

        return $common;
    }

    /**
     * Bits of the features that have a part in a group.
     *
     * @param  list<Features>  $features  no more than the bits of an integer are told apart
     * @param  'own'|'places'|'above'|'parent'|'before'  $group
     */
    private static function having(array $features, string $group, string $text): int
    {
        $bits = 0;
        foreach ($features as $i => $one) {
            $bits |= isset($one->{$group}[$text]) ? 1 << min($i, 61) : 0;
        }

        return $bits;
    }

    /**
     * Compounds that all the meant ones match, the cheapest first.
     *
     * @param  list<Features>  $wanted
     * @param  list<Features>  $spared
     * @return list<Option>
     */
    private function subjects(array $wanted, array $spared, bool $byPosition): array
    {
        $all = (1 << min(count($spared), 62)) - 1;
        $own = self::common($wanted, 'own') ?: ['*' => new Part('*', fn (): string => ~$this->census->none(), 7.0)];
        $kept = array_map(static fn (string $text): int => $text === '*' ? $all : self::having($spared, 'own', $text), array_combine(array_keys($own), array_map(strval(...), array_keys($own))));
        uasort($own, static fn (Part $a, Part $b): int => $a->cost <=> $b->cost);
        $subjects = [];
        foreach ($own as $text => $part) {
            $subjects[] = Option::of($part, $kept[$text]);
        }
        $cheap = array_slice($own, 0, 8, true);
        foreach ($cheap as $one => $first) {
            foreach ($cheap as $two => $second) {
                // Each pair once, in the order in which it is written: the tag comes first, and costs little beside a name.
                if ($one === $two || $second->isTag() || (! $first->isTag() && $first->cost.$one > $second->cost.$two)) {
                    continue;
                }
                $subjects[] = Option::of($first, $kept[$one])->and($second, $kept[$two], $first->isTag() && $first->cost < self::DEAR ? -1.0 : 0.0);
            }
        }
        $placed = [];
        $places = $byPosition ? self::common($wanted, 'places') : [];
        foreach (array_slice($subjects, 0, 8) as $subject) {
            foreach ($this->exclusions($wanted, $spared, $all) as [$not, $bits]) {
                $subjects[] = $subject->and($not, $bits);
            }
            foreach ($places as $text => $place) {
                $placed[] = $subject->and($place, self::having($spared, 'places', $text));
            }
        }
        $byCost = static fn (Option $a, Option $b): int => $a->cost <=> $b->cost;
        usort($subjects, $byCost);
        usort($placed, $byCost);

        return [...array_slice($subjects, 0, self::SUBJECTS), ...array_slice($placed, 0, intdiv(self::SUBJECTS, 2))];
    }

    /**
     * @param  list<Features>  $wanted
     * @param  list<Features>  $spared
     * @param  'above'|'parent'|'before'  $group
     * @param  callable(Part): string  $set  all that stands so to what a part takes
     * @return list<Surrounding>
     */
    private function around(array $wanted, array $spared, string $group, string $combinator, callable $set): array
    {
        $found = [];
        foreach (self::common($wanted, $group) as $text => $part) {
            $found[] = new Surrounding($part, $combinator, static fn (): string => $set($part), self::having($spared, $group, $text));
        }

        return $found;
    }

    /**
     * What only those that are to stay have, or are in, turned round.
     *
     * @param  list<Features>  $wanted
     * @param  list<Features>  $spared
     * @return list<array{Part, int}> the cheapest first, with bits of those that are taken in spite of it
     */
    private function exclusions(array $wanted, array $spared, int $all): array
    {
        $found = [];
        foreach (['own', 'above'] as $group) {
            foreach ($spared as $one) {
                foreach ($one->{$group} as $text => $part) {
                    if (! isset($found["$group $text"]) && self::having($wanted, $group, $text) === 0) {
                        $found["$group $text"] = [$this->parts->not($group === 'own' ? $part : $this->parts->inside($part)), $all & ~self::having($spared, $group, $text)];
                    }
                }
            }
        }
        usort($found, static fn (array $a, array $b): int => $a[0]->cost <=> $b[0]->cost);

        return array_slice($found, 0, 10);
    }
}
