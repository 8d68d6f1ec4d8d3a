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
 * less, the more r exceeds n. Cost: about 3,000 cuts of sets over the whole site.
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

    /** How much each doubling of what is taken beyond the examples counts, for each of them; beyond three they count less. */
    private const WIDTH = 1.1;

    private readonly Parts $parts;

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
        $options = $this->fitting($this->options($meant, $kept, false), $wanted, $spared);
        $hasExact = array_filter($options, static fn (Option $o): bool => $o->set === $wanted) !== [];
        if (! $hasExact) {
            $options = [...$options, ...$this->fitting($this->options($meant, $kept, true), $wanted, $spared)];
        }
        $fits = $this->fits($this->ranked($options, $wanted), $meant, $kept);
        if ($fits !== []) {
            return new Aimed($fits);
        }
        $list = $this->asList($meant, $kept, $wanted, $spared);

        return $list === null ? new Aimed($this->nearest($meant, $kept, $wanted), $this->confusion($meant, $kept)) : new Aimed($this->fits([$list], $meant, $kept));
    }

    /**
     * Every way to put the common parts together.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Option>
     */
    private function options(array $meant, array $kept, bool $byPosition): array
    {
        $subjects = $this->subjects($meant, $kept, $byPosition);
        [$ancestors, $parents, $siblings] = $this->surroundings($meant, $byPosition);
        $around = [];
        foreach ($ancestors as $part) {
            $around[] = [$part, ' ', $this->census->inside($part->text, $part->set), 1.0];
        }
        foreach ($parents as $part) {
            $around[] = [$part, ' > ', $this->census->childrenOf($part->text, $part->set), 1.8];
        }
        foreach ($siblings as $part) {
            $around[] = [$part, ' + ', $this->census->after($part->text, $part->set), 3.0];
        }
        usort($around, static fn (array $a, array $b): int => $a[0]->cost + $a[3] <=> $b[0]->cost + $b[3]);
        $around = array_slice($around, 0, self::AROUND);
        $options = $subjects;
        foreach ($subjects as $number => $subject) {
            foreach ($around as $place => [$part, $combinator, $set, $cost]) {
                $near = $subject->within($part, $combinator, $set, $cost);
                $options[] = $near;
                if ($number >= self::TWICE_SUBJECTS || $place >= self::TWICE_AROUND) {
                    continue;
                }
                foreach ($ancestors as $outer) {
                    if ($outer !== $part && $outer->cost < 7.0) {
                        $options[] = $near->within($outer, ' ', $this->census->inside($outer->text, $outer->set), 1.6);
                    }
                }
            }
        }

        return $options;
    }

    /**
     * Compounds that all the meant ones match, the cheapest first.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Option>
     */
    private function subjects(array $meant, array $kept, bool $byPosition): array
    {
        $parts = $this->common($meant, fn (string $path, int $element): array => [$this->parts->of($path, $element)]);
        $parts = $parts === [] ? [new Part('*', ~$this->census->none(), 7.0)] : $parts;
        usort($parts, static fn (Part $a, Part $b): int => $a->cost <=> $b->cost);
        $subjects = array_map(Option::of(...), $parts);
        foreach (array_slice($parts, 0, 8) as $i => $one) {
            foreach (array_slice($parts, $i + 1, 8) as $two) {
                if ($one->isTag() && $two->isTag()) {
                    continue;
                }
                // The tag comes first, and costs little beside a name.
                $subjects[] = $two->isTag() ? Option::of($two)->and($one, $two->cost > 6 ? 0.0 : -1.0) : Option::of($one)->and($two, $one->isTag() ? -1.0 : 0.0);
            }
        }
        foreach (array_slice($subjects, 0, 8) as $subject) {
            foreach ($this->exclusions($meant, $kept) as $not) {
                $subjects[] = $subject->and($not);
            }
            foreach ($byPosition ? $this->common($meant, fn (string $path, int $element): array => [$this->parts->positions($path, $element)]) : [] as $place) {
                $subjects[] = $subject->and($place);
            }
        }
        usort($subjects, static fn (Option $a, Option $b): int => $a->cost <=> $b->cost);

        return array_slice($subjects, 0, self::SUBJECTS);
    }

    /**
     * What stands around all the meant ones: above them, right above them, right before them.
     *
     * @param  array<string, list<int>>  $meant
     * @return array{list<Part>, list<Part>, list<Part>}
     */
    private function surroundings(array $meant, bool $byPosition): array
    {
        $parts = fn (string $path, int $element): array => $byPosition
            ? [...$this->parts->of($path, $element), ...array_map(fn (Part $p): Part => $this->placed($path, $element, $p), $this->parts->positions($path, $element))]
            : $this->parts->of($path, $element);
        $page = fn (string $path): Page => $this->census->pages[$path];
        $ancestors = $this->common($meant, static fn (string $path, int $element): array => array_map(
            static fn (int $e): array => $parts($path, $e),
            array_reverse(array_slice($page($path)->line($element), 1, -1)),
        ), true);
        $parents = $this->common($meant, static fn (string $path, int $element): array => $page($path)->parents[$element] > 0 ? [$parts($path, $page($path)->parents[$element])] : []);
        $grand = $this->common($meant, static function (string $path, int $element) use ($page, $parts): array {
            $above = $page($path)->parents[$element];

            return $above > 0 && $page($path)->parents[$above] > 0 ? [$parts($path, $page($path)->parents[$above])] : [];
        });
        foreach (array_filter($parents, static fn (Part $p): bool => preg_match('/\A[a-z0-9]+\z/i', $p->text) === 1) as $between) {
            foreach ($grand as $part) {
                $parents[] = new Part("{$part->text} > {$between->text}", $between->set & $this->census->childrenOf($part->text, $part->set), $part->cost + 2.0, $part->reason);
            }
        }
        $siblings = $this->common($meant, static function (string $path, int $element) use ($page, $parts): array {
            $before = $page($path)->positions[$element] - 1;

            return $before < 0 ? [] : [$parts($path, $page($path)->children[$page($path)->parents[$element]][$before])];
        });

        return [$ancestors, $parents, $siblings];
    }

    private function placed(string $path, int $element, Part $position): Part
    {
        $tag = $this->parts->tag($this->census->pages[$path]->tags[$element]);

        return new Part($tag->text.$position->text, $tag->set & $position->set, $tag->cost + $position->cost, $position->reason);
    }

    /**
     * The parts that every meant element has, in any of the elements that $around gives for it.
     *
     * @param  array<string, list<int>>  $meant
     * @param  callable(string, int): list<array<string, Part>>  $around
     * @return list<Part>
     */
    private function common(array $meant, callable $around, bool $withoutBody = false): array
    {
        $common = null;
        foreach ($meant as $path => $elements) {
            foreach ($elements as $element) {
                $own = array_merge(...[[], ...$around($path, $element)]);
                $common = $common === null ? $own : array_intersect_key($common, $own);
            }
        }
        if ($withoutBody) {
            unset($common['body']);
        }

        return array_values($common ?? []);
    }

    /**
     * What only those that are to stay have, or are in.
     *
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @return list<Part>
     */
    private function exclusions(array $meant, array $kept): array
    {
        $wanted = $this->census->set($meant);
        $found = [];
        foreach ($kept as $path => $elements) {
            foreach ($elements as $element) {
                foreach ($this->parts->of($path, $element) as $text => $part) {
                    if (Census::isEmpty($part->set & $wanted)) {
                        $found[$text] ??= $this->parts->not($part);
                    }
                }
                foreach (array_slice($this->census->pages[$path]->line($element), 1, -1) as $ancestor) {
                    foreach ($this->parts->of($path, $ancestor) as $text => $part) {
                        $inside = $this->census->inside($part->text, $part->set);
                        if (Census::isEmpty($inside & $wanted)) {
                            $found["$text *"] ??= $this->parts->not(new Part("$text *", $inside, $part->cost + 2.0, $part->reason));
                        }
                    }
                }
            }
        }
        usort($found, static fn (Part $a, Part $b): int => $a->cost <=> $b->cost);

        return array_slice($found, 0, 10);
    }

    /**
     * @param  list<Option>  $options
     * @return list<Option> those that take all that is wanted and spare what is to be
     */
    private function fitting(array $options, string $wanted, string $spared): array
    {
        return array_values(array_filter($options, static fn (Option $o): bool => ($o->set & $wanted) === $wanted && Census::isEmpty($o->set & $spared)));
    }

    /**
     * @param  list<Option>  $options
     * @return list<Option> the best first
     */
    private function ranked(array $options, string $wanted): array
    {
        $n = $this->census->count($wanted);
        $weight = self::WIDTH * ($n <= 3 ? $n : 3 + ($n - 3) / 3);
        $tiers = $scores = $texts = [];
        foreach ($options as $i => $option) {
            // What is exact comes first where all its parts last; and for one element alone in any case.
            $isExact = $option->set === $wanted;
            $tiers[$i] = $isExact && $option->reasons === [] ? 0 : ($isExact && $n === 1 ? 1 : 2);
            $scores[$i] = $option->cost + $weight * log($this->census->count($option->set) / $n, 2);
            $texts[$i] = strlen($option->text);
        }
        array_multisort($tiers, $scores, $texts, $options);

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
            if (isset($seen[$option->set]) || count($fits) >= self::GIVEN) {
                continue;
            }
            $fit = $this->fit($option, $meant, $kept);
            if ($fit->fits()) {
                $fits[] = $fit;
                $seen[$option->set] = true;
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
    private function asList(array $meant, array $kept, string $wanted, string $spared): ?Option
    {
        $pool = [];
        foreach ($meant as $path => $elements) {
            foreach ($elements as $element) {
                $one = $this->census->set([$path => [$element]]);
                foreach ([false, true] as $byPosition) {
                    $own = $this->fitting($this->options([$path => [$element]], $kept, $byPosition), $one, $spared);
                    foreach ($own as $option) {
                        $pool[$option->text] = $option;
                    }
                    if ($own !== []) {
                        break;
                    }
                }
            }
        }
        $chosen = [];
        $left = $wanted;
        while (! Census::isEmpty($left)) {
            $best = null;
            $worth = 0.0;
            foreach ($pool as $option) {
                $gain = $this->census->count($option->set & $left);
                $strangers = $this->census->count($option->set & ~$wanted);
                $value = $gain / ($option->cost + 3.0 + log(1 + $strangers, 2));
                if ($gain > 0 && $value > $worth) {
                    [$best, $worth] = [$option, $value];
                }
            }
            if ($best === null) {
                return null;
            }
            $chosen[] = $best;
            $left &= ~$best->set;
        }
        $reasons = array_values(array_unique(array_merge(...array_map(static fn (Option $o): array => $o->reasons, $chosen))));
        $set = array_reduce($chosen, static fn (string $all, Option $o): string => $all | $o->set, $this->census->none());

        return new Option(implode(', ', array_map(static fn (Option $o): string => $o->text, $chosen)), $set, 0.0, $reasons);
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
        $options = $this->ranked($this->fitting($this->options($meant, $kept, false), $wanted, $this->census->none()), $wanted);

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
