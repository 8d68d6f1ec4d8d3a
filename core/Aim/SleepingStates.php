<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\Compound;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorText;
use Insignum\Selector\States;
use Insignum\Selector\Wear;
use Insignum\Style\CompiledSheet;
use Insignum\Style\SheetRule;
use Insignum\Syntax\Ident;

/**
 * The states that a theme's stylesheet knows and the pages are not wearing: of each compound that lacks nothing but one class
 * or attribute, that part, and the elements that it would go on.
 */
final class SleepingStates
{
    /** Attributes that scripts and people switch; others say what a thing is. */
    private const SWITCHED = '/\A(?:aria-(?:expanded|current|selected|pressed|checked|hidden|busy|invalid|disabled)|data-[-\w]+|open|hidden|disabled|checked|selected|readonly|inert)\z/';

    /** Pseudo-classes that an attribute stands for. */
    private const ATTRIBUTES = ['checked' => '[checked]', 'disabled' => '[disabled]', 'open' => '[open]'];

    private readonly LifetimeJudge $judge;

    /** @var array<string, true> */
    private array $classes = [];

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages)
    {
        $this->judge = LifetimeJudge::byForm();
        foreach ($pages as $page) {
            $this->classes += array_fill_keys(array_map(strval(...), array_keys($page->byClass)), true);
        }
    }

    /**
     * @param  iterable<CompiledSheet>  $sheets
     * @return list<SleepingState> those with the most rules first
     */
    public function in(iterable $sheets): array
    {
        $found = [];
        foreach (SheetRule::all($sheets) as $rule) {
            foreach ($this->wears($rule->selector) as $wear) {
                $key = "{$wear->on}{$wear->part}";
                $found[$key][0] ??= $wear;
                $found[$key][1][] = $rule;
            }
        }
        // What one part does to the same elements is one state, however it is written: under the shortest name.
        uasort($found, static fn (array $a, array $b): int => strlen($a[0]->on) <=> strlen($b[0]->on));
        $byHosts = [];
        foreach ($found as [$wear, $rules]) {
            $hosts = array_filter(array_map($wear->hosts(...), $this->pages));
            $key = $wear->part.json_encode($hosts);
            if (isset($byHosts[$key])) {
                array_push($byHosts[$key][2], ...$rules);
            } elseif ($hosts !== []) {
                $byHosts[$key] = [$wear, $hosts, $rules];
            }
        }
        $states = [];
        foreach ($byHosts as [$wear, $hosts, $rules]) {
            if ($this->wakes($wear, array_keys($hosts), $rules)) {
                $states[] = new SleepingState($wear, $hosts, $rules);
            }
        }
        usort($states, static fn (SleepingState $a, SleepingState $b): int => count($b->rules) <=> count($a->rules));

        return $states;
    }

    /**
     * Whether any of its rules takes anything once it is on.
     *
     * @param  list<string>  $paths
     * @param  list<SheetRule>  $rules
     */
    private function wakes(Wear $wear, array $paths, array $rules): bool
    {
        foreach ($paths as $path) {
            $matcher = new Matcher($wear->put($this->pages[$path]), States::any());
            foreach ($rules as $rule) {
                if ($matcher->select($rule->selector) !== []) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return list<Wear> */
    private function wears(ComplexSelector $selector): array
    {
        $sleeping = array_filter(array_map($this->sleeping(...), $selector->compounds));
        if ($sleeping === []) {
            return [];
        }
        $steps = SelectorText::steps((string) preg_replace('/::?(?:before|after|[-\w]+\([^)]*\)|(?<=::)[-\w]+)\z/', '', $selector->text));
        if (count($steps) !== count($selector->compounds)) {
            return [];
        }
        $wears = [];
        foreach ($sleeping as $i => $parts) {
            foreach ($parts as $part => $written) {
                $on = array_slice($steps, 0, $i + 1);
                $at = array_search($written, $on[$i][1], true);
                if ($at === false) {
                    continue;
                }
                array_splice($on[$i][1], $at, 1);
                if ($this->tells($on[$i][1])) {
                    $wears[] = new Wear(self::resting(SelectorText::join($on)), $part);
                } elseif ($i === 0 && count($steps) > 1 && $this->isOfState($part)) {
                    // On nothing that is told: what is around everything can wear it.
                    $wears[] = new Wear('body', $part);
                }
            }
        }

        return $wears;
    }

    /** @return array<string, string> parts that could be put on, each with how it is written in the selector */
    private function sleeping(Compound $compound): array
    {
        $parts = [];
        foreach ($compound->classes as $class) {
            $part = '.'.Ident::escape($class);
            if (! isset($this->classes[$class]) || $this->isOfState($part)) {
                $parts[$part] = $part;
            }
        }
        foreach ($compound->attributes as $attribute) {
            if (preg_match(self::SWITCHED, $attribute->name) === 1 && in_array($attribute->operator, ['', '='], true)) {
                $part = $attribute->operator === '' ? "[{$attribute->name}]" : "[{$attribute->name}=\"{$attribute->value}\"]";
                foreach ([$part, "[{$attribute->name}={$attribute->value}]", "[{$attribute->name}='{$attribute->value}']"] as $written) {
                    $parts[$written] = $written;
                }
            }
        }
        foreach ($compound->pseudoClasses as $pseudo) {
            if (isset(self::ATTRIBUTES[$pseudo->name])) {
                $parts[self::ATTRIBUTES[$pseudo->name]] = ":{$pseudo->name}";
            }
        }

        return $parts;
    }

    /** A selector without the states of pointing and focusing, which have a switch of their own. */
    private static function resting(string $selector): string
    {
        return (string) preg_replace('/(?<=[\w\]\)]):(?:hover|focus(?:-visible|-within)?|active|visited|target)(?![-\w(])/', '', $selector);
    }

    /**
     * Whether what is left of a compound says what kind of thing it is.
     *
     * @param  list<string>  $simples
     */
    private function tells(array $simples): bool
    {
        return array_filter($simples, fn (string $simple): bool => $simple !== '*' && ! str_starts_with($simple, ':') && ! (str_starts_with($simple, '.') && $this->isOfState($simple))) !== [];
    }

    private function isOfState(string $part): bool
    {
        $name = ltrim($part, '.');

        return $this->judge->judge($name) === Lifetime::State || $this->judge->judge((string) preg_replace('/\A.*(?:--|__)/', '', $name)) === Lifetime::State;
    }
}
