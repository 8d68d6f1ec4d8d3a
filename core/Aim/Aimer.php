<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;

/**
 * Selectors from examples: what is meant and what is to stay go in, selectors that fit come out.
 *
 * It weighs the doubt that each part of a selector brings against the doubt of taking things that nobody marked: n examples out
 * of r that a selector takes speak for it the less, the more r exceeds n. Only those that fit the marks are counted on the whole
 * site.
 */
final class Aimer
{
    /** So many fits are given. */
    private const GIVEN = 8;

    /** So many of the cheapest that fit are counted on the whole site, and so many for each element of a list. */
    private const WEIGHED = 400;

    private const POOLED = 30;

    /** How much each doubling of what is taken beyond the examples counts, for each of them; beyond three they count less. */
    private const WIDTH = 1.1;

    /** The last place for the best of the exact ones. */
    private const EXACT_AT = 2;

    /** From so many examples on a position that they share is no chance. */
    private const TELLING = 4;

    private readonly Parts $parts;

    private readonly Combinations $combinations;

    /** @var array<string, Matcher> */
    private array $matchers = [];

    /** @param  array<string, Page>  $earlier  the pages of an older snapshot, if there is one */
    public function __construct(private readonly Census $census, array $earlier = [])
    {
        $this->parts = new Parts($census, $earlier);
        $this->combinations = new Combinations($census, $this->parts);
    }

    /**
     * @param  array<string, list<int>>  $meant  elements by page; at least one
     * @param  array<string, list<int>>  $kept
     * @param  ?\Closure(string): bool  $wins  whether a selector wins for what it is to change; null where that is open
     *
     * @throws \InvalidArgumentException where nothing is meant, or something is meant and kept at once
     */
    public function of(array $meant, array $kept = [], ?\Closure $wins = null): Aimed
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
        $options = self::sparing($this->combinations->of($meant, $kept, false));
        $hasExact = array_filter($options, static fn (Option $o): bool => $o->set() === $wanted) !== [];
        if (! $hasExact) {
            $known = array_flip(array_map(static fn (Option $o): string => $o->text, $options));
            $more = array_filter($this->combinations->of($meant, $kept, true), static fn (Option $o): bool => ! isset($known[$o->text]));
            $options = [...$options, ...self::sparing(array_values($more))];
        }
        $options = [...$options, ...$this->combinations->narrowed($meant, $wanted)];
        $fits = $this->fits($this->ranked($options, $wanted, $kept !== [], $wins), $meant, $kept);
        if ($fits !== []) {
            return new Aimed($fits);
        }
        $list = $this->asList($meant, $kept, $wanted);

        return $list === null ? new Aimed($this->nearest($meant, $kept, $wanted), $this->confusion($meant, $kept)) : new Aimed($this->fits([$list], $meant, $kept));
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
     * @param  ?\Closure(string): bool  $wins  those that do come before those that don't, within what is equally exact
     * @return list<Option> the best first
     */
    private function ranked(array $options, string $wanted, bool $isTold, ?\Closure $wins = null): array
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
                $isExact && ($n === 1 || $n >= self::TELLING || ($isTold && ! $option->isPlaced)) => 1,
                default => 2,
            } + ($wins === null || $wins($option->text) ? 0.0 : 0.5);
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
                $own = self::sparing($this->combinations->of([$path => [$element]], $kept, false)) ?: self::sparing($this->combinations->of([$path => [$element]], $kept, true));
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
        $options = $this->ranked(array_slice($this->combinations->of($meant, $kept, false), 0, self::POOLED), $wanted, true);

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
