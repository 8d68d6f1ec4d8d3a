<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;

/**
 * Selectors from examples: what is meant and what is to stay go in, selectors that fit come out.
 *
 * It looks at what all that is meant has in common, alone and in its surroundings, and weighs the doubt that each part
 * brings against the doubt of taking things that nobody marked: n examples out of r that a selector takes speak for it the
 * less, the more r exceeds n. Only those that fit the marks
 * are counted on the whole site.
 */
final class Aimer
{
    /** So many fits are given. */
    private const GIVEN = 8;

    /** So many subjects and surroundings are combined, the cheapest first. */
    private const SUBJECTS = 24;

    private const AROUND = 70;

    private const TWICE_AROUND = 18;

    private const TWICE_SUBJECTS = 6;

    /** Parts that cost more than this are no second surrounding. */
    private const DEAR = 7.0;

    /** So many of the cheapest that fit are counted on the whole site, and so many for each element of a list. */
    private const WEIGHED = 400;

    private const POOLED = 30;

    /** With so many others that share a part a selector is narrowed down part by part; more would take too long. */
    private const STRANGERS = 240;

    /** How much each doubling of what is taken beyond the examples counts, for each of them; beyond three they count less. */
    private const WIDTH = 1.1;

    /** The last place for the best of the exact ones. */
    private const EXACT_AT = 2;

    /** From so many examples on a position that they share is no chance. */
    private const TELLING = 4;

    private readonly Parts $parts;

    /** @var array<string, Features> */
    private array $features = [];

    /** @var array<string, Matcher> */
    private array $matchers = [];

    /** @param  array<string, Page>  $earlier  the pages of an older snapshot, if there is one */
    public function __construct(private readonly Census $census, array $earlier = [])
    {
        $this->parts = new Parts($census, $earlier);
    }

    /**
     * @param  array<string, list<int>>  $meant  elements by page; at least one
     * @param  array<string, list<int>>  $kept
     *
     * @throws \InvalidArgumentException where nothing is meant, or something is meant and kept at once
     */
    public function of(array $meant, array $kept = []): Aimed
    {
        $meant = array_filter($meant);
        $kept = array_filter($kept);
        if ($meant === []) {
            throw new \InvalidArgumentException('Mark at least one element that is meant.');
        }
        $wanted = $this->census->set($meant);
        $spared = $this->census->set($kept);
        if (! Census::isEmpty($wanted & $spared)) {
            throw new \InvalidArgumentException('An element is marked as meant and as one to leave alone: take one of the marks back.');
        }
        $options = self::sparing($this->options($meant, $kept, false));
        $hasExact = array_filter($options, static fn (Option $o): bool => $o->set() === $wanted) !== [];
        if (! $hasExact) {
            $known = array_flip(array_map(static fn (Option $o): string => $o->text, $options));
            $more = array_filter($this->options($meant, $kept, true), static fn (Option $o): bool => ! isset($known[$o->text]));
            $options = [...$options, ...self::sparing(array_values($more))];
        }
        $options = [...$options, ...$this->narrowed($meant, $wanted)];
        $fits = $this->fits($this->ranked($options, $wanted, $kept !== []), $meant, $kept);
        if ($fits !== []) {
            return new Aimed($fits);
        }
        $list = $this->asList($meant, $kept, $wanted);

        return $list === null ? new Aimed($this->nearest($meant, $kept, $wanted), $this->confusion($meant, $kept)) : new Aimed($this->fits([$list], $meant, $kept));
    }

    /**
     * Every way to put together what all that is meant has in common.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Option> the cheapest first
     */
    private function options(array $meant, array $kept, bool $byPosition): array
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
    private function narrowed(array $meant, string $set): array
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

    /**
     * @param  list<Option>  $options  the cheapest first
     * @return list<Option> the cheapest of those that leave alone what is to be kept
     */
    private static function sparing(array $options): array
    {
        return array_slice(array_values(array_filter($options, static fn (Option $o): bool => $o->kept === 0)), 0, self::WEIGHED);
    }

    /**
     * @param  list<Option>  $options
     * @param  bool  $isTold  whether something is marked as to stay
     * @return list<Option> the best first
     */
    private function ranked(array $options, string $wanted, bool $isTold): array
    {
        $n = $this->census->count($wanted);
        $weight = self::WIDTH * ($n <= 3 ? $n : 3 + ($n - 3) / 3);
        $tiers = $scores = $texts = [];
        foreach ($options as $i => $option) {
            // What is exact comes first where all its parts last, or where it is told from others, or has many examples: two or
            // three can share a position by chance.
            $isExact = $option->set() === $wanted;
            $tiers[$i] = match (true) {
                $isExact && $option->reasons === [] => 0,
                $isExact && ($isTold || $n === 1 || $n >= self::TELLING) => 1,
                default => 2,
            };
            $scores[$i] = $option->cost + $weight * log($this->census->count($option->set()) / $n, 2);
            $texts[$i] = strlen($option->text);
        }
        array_multisort($tiers, $scores, $texts, $options);
        // One that takes just what was marked is among the first in any case.
        foreach ($options as $i => $option) {
            if ($option->set() === $wanted) {
                array_splice($options, min($i, self::EXACT_AT), 0, array_splice($options, $i, 1));
                break;
            }
        }

        return $options;
    }

    /**
     * The first few with different reaches, each asked of the matcher.
     *
     * @param  list<Option>  $ranked
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Fit>
     */
    private function fits(array $ranked, array $meant, array $kept): array
    {
        $fits = $seen = [];
        foreach ($ranked as $option) {
            if (isset($seen[$option->set()]) || count($fits) >= self::GIVEN) {
                continue;
            }
            $fit = $this->fit($option, $meant, $kept);
            if ($fit->fits()) {
                $fits[] = $fit;
                $seen[$option->set()] = true;
            }
        }

        return $fits;
    }

    /**
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     */
    private function fit(Option $option, array $meant, array $kept): Fit
    {
        $list = SelectorParser::parse($option->text);
        $reach = [];
        foreach ($this->census->pages as $path => $page) {
            $reach[$path] = ($this->matchers[$path] ??= new Matcher($page))->selectAny($list);
        }
        $taken = $this->census->set($reach);
        $missed = $this->census->elements($this->census->set($meant) & ~$taken);
        $wronged = $this->census->elements($this->census->set($kept) & $taken);
        $others = $this->census->count($taken & ~$this->census->set($meant) & ~$this->census->set($kept));
        $reasons = $option->reasons;
        $count = static fn (array $elements): int => array_sum(array_map(count(...), $elements));
        if ($missed !== []) {
            $reasons[] = 'It misses '.$this->named($missed).'.';
        }
        if ($wronged !== []) {
            $reasons[] = 'It also takes '.$this->named($wronged).', which is to stay.';
        }
        if ($others > 0) {
            $reasons[] = 'It also takes '.($others === 1 ? 'one element' : "$others elements").' that you marked neither way.';
        }

        return new Fit($option->text, $list->highest(), $reach, $missed, $wronged, $count($reach) === 0 ? 0 : $others, $reasons);
    }

    /**
     * Several selectors where one doesn't do: each takes as many as it can of those that are left.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     */
    private function asList(array $meant, array $kept, string $wanted): ?Option
    {
        $pool = [];
        foreach ($meant as $path => $elements) {
            foreach ($elements as $element) {
                $own = self::sparing($this->options([$path => [$element]], $kept, false)) ?: self::sparing($this->options([$path => [$element]], $kept, true));
                foreach (array_slice($own, 0, self::POOLED) as $option) {
                    $pool[$option->text] = $option;
                }
            }
        }
        $chosen = [];
        $left = $wanted;
        $strangers = array_map(fn (Option $o): float => log(1 + $this->census->count($o->set() & ~$wanted), 2), $pool);
        while (! Census::isEmpty($left)) {
            $best = null;
            $worth = 0.0;
            foreach ($pool as $text => $option) {
                $gain = $this->census->count($option->set() & $left);
                $value = $gain / ($option->cost + 3.0 + $strangers[$text]);
                if ($gain > 0 && $value > $worth) {
                    [$best, $worth] = [$option, $value];
                }
            }
            if ($best === null) {
                return null;
            }
            $chosen[] = $best;
            $left &= ~$best->set();
        }
        $reasons = array_values(array_unique(array_merge(...array_map(static fn (Option $o): array => $o->reasons, $chosen))));
        $set = array_reduce($chosen, static fn (string $all, Option $o): string => $all | $o->set(), $this->census->none());

        return new Option(implode(', ', array_map(static fn (Option $o): string => $o->text, $chosen)), [static fn (): string => $set], 0, 0.0, $reasons);
    }

    /**
     * Where nothing fits: what takes all that is meant and the least of what is to stay.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Fit>
     */
    private function nearest(array $meant, array $kept, string $wanted): array
    {
        $options = $this->ranked(array_slice($this->options($meant, $kept, false), 0, self::POOLED), $wanted, true);

        return array_map(fn (Option $o): Fit => $this->fit($o, $meant, $kept), array_slice($options, 0, 3));
    }

    /**
     * Which of the meant ones looks the same as which of those that are to stay.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     */
    private function confusion(array $meant, array $kept): string
    {
        $trail = fn (string $path, int $element): string => implode(' ', array_map(
            fn (int $e): string => implode('', array_keys($this->parts->of($path, $e))).$this->census->pages[$path]->positions[$e],
            $this->census->pages[$path]->line($element),
        ));
        $known = [];
        foreach ($kept as $path => $elements) {
            foreach ($elements as $element) {
                $known[$trail($path, $element)] = [$path => [$element]];
            }
        }
        foreach ($meant as $path => $elements) {
            foreach ($elements as $element) {
                $other = $known[$trail($path, $element)] ?? null;
                if ($other !== null) {
                    return 'Nothing in the pages tells '.$this->named([$path => [$element]]).' from '.$this->named($other).': they have the same tag, names and place, and so has all that they are in. A class on one of them, or on its page’s body, would.';
                }
            }
        }

        return 'No selector takes all that is meant and leaves alone what is to stay.';
    }

    /** @param  array<string, list<int>>  $elements */
    private function named(array $elements): string
    {
        $path = (string) array_key_first($elements);
        $page = $this->census->pages[$path];
        $first = $elements[$path][0];
        $excerpt = $page->excerpt($first, 30);
        $count = array_sum(array_map(count(...), $elements));

        return 'the '.Nouns::of($page, $first).($excerpt === '' ? '' : " “{$excerpt}”")." on $path".($count > 1 ? ' and '.($count - 1).' more' : '');
    }
}
