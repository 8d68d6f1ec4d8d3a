<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Page\Page;
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\SelectorText;
use Insignum\Selector\States;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Ident;
use Insignum\Syntax\Severity;

/**
 * Why a selector hits nothing: the part that kills it, where the rest would hit, and the selector that was probably meant.
 *
 * A fix is a whole selector, and is offered only where it does hit something.
 */
final class SelectorAdvice
{
    private const KINDS = ['.' => ['byClass', 'class'], '#' => ['byId', 'id'], '' => ['byTag', 'tag']];

    /** So many pages are named. */
    private const NAMED = 3;

    /** So many of the nearest names are tried. */
    private const TRIED = 3;

    /** @var array<string, Matcher> */
    private array $matchers = [];

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages)
    {
    }

    /** @return ?Finding null where it hits something */
    public function on(SelectorList $selectors): ?Finding
    {
        if ($this->reach($selectors) !== []) {
            return null;
        }
        foreach ($selectors->selectors as $number => $selector) {
            $finding = $this->unknownPart($selectors, $number, $selector);
            if ($finding !== null) {
                return $finding;
            }
        }

        return $this->neverTogether($selectors);
    }

    private function unknownPart(SelectorList $list, int $number, ComplexSelector $selector): ?Finding
    {
        foreach ($selector->compounds as $step => $compound) {
            $names = [
                ...array_map(static fn (string $id): array => ['#', $id, "No page has an element with the id “{$id}”."], $compound->ids),
                ...array_map(static fn (string $class): array => ['.', $class, "No page has an element with the class “{$class}”."], $compound->classes),
                ...($compound->tag === null ? [] : [['', $compound->tag, "No page has a <{$compound->tag}> element."]]),
            ];
            foreach ($names as [$sign, $name, $message]) {
                $isKnown = $this->uses(self::KINDS[$sign][0], $name) > 0 || ($sign === '' && $this->uses('byTag', strtolower($name)) > 0);
                if (! $isKnown) {
                    return $this->unknown($list, $number, $step, $sign, $name, $message);
                }
            }
        }

        return null;
    }

    private function unknown(SelectorList $list, int $number, int $step, string $sign, string $name, string $message): Finding
    {
        $part = $sign.Ident::escape($name);
        $rest = $this->without($list, $number, $step, $part);
        $around = $rest === null || $rest[1] === [] ? '' : " Without it, {$rest[0]} would take ".$this->told($rest[1]).'.';
        foreach (self::KINDS as $other => [$column, $word]) {
            $uses = $other === $sign ? 0 : $this->uses($column, $name);
            if ($uses > 0) {
                $fix = $this->replaced($list, $number, $step, $part, $other.Ident::escape($name));

                return $this->finding("$message But “{$name}” is a $word here: $other".Ident::escape($name).", $uses ".($uses === 1 ? 'element' : 'elements').'.', $fix, $around);
            }
        }
        $nearest = $this->nearest(self::KINDS[$sign][0], $name);
        foreach ($nearest as $known) {
            $fix = $this->replaced($list, $number, $step, $part, $sign.Ident::escape($known));
            if ($fix !== null) {
                return $this->finding("$message The nearest that exists is $sign".Ident::escape($known).'.', $fix, $around);
            }
        }

        return $this->finding($message.($nearest === [] ? '' : " The nearest that exists is $sign".Ident::escape($nearest[0]).'.'), null, $around);
    }

    /** Every part is there: which one, or which combinator, is it that never comes together with the rest? */
    private function neverTogether(SelectorList $list): Finding
    {
        $message = 'Every part of it exists, but nowhere together in this way.';
        foreach ($list->selectors as $number => $selector) {
            $steps = SelectorText::steps($selector->text);
            foreach ($steps as $i => [$combinator]) {
                $looser = array_replace($steps, [$i => [' ', $steps[$i][1]]]);
                $reach = $combinator === '' || $combinator === ' ' ? [] : $this->reachOf($this->put($list, $number, SelectorText::join($looser)));
                if ($reach !== []) {
                    $what = ['>' => 'directly inside', '+' => 'right after', '~' => 'after'][$combinator] ?? 'beside';

                    return $this->finding("$message What kills it is “{$combinator}”: nothing like that stands $what the part before it. With a space there it takes ".$this->told($reach).'.', $this->put($list, $number, SelectorText::join($looser)));
                }
            }
            foreach ($steps as $i => [, $simples]) {
                foreach ($simples as $simple) {
                    $rest = $this->without($list, $number, $i, $simple);
                    if ($rest !== null && $rest[1] !== []) {
                        return $this->finding("$message What kills it is $simple: without it, {$rest[0]} takes ".$this->told($rest[1]).'.', $rest[0]);
                    }
                }
            }
        }

        return $this->finding($message.$this->longestHit($list->selectors[0]), null);
    }

    private function finding(string $message, ?string $fix, string $around = ''): Finding
    {
        return new Finding('hits-nothing', Severity::Warning, $message.$around, fix: $fix);
    }

    /** @return ?array{string, array<string, int>} the selector without a part, and what it takes; null where nothing is left */
    private function without(SelectorList $list, int $number, int $step, string $part): ?array
    {
        $steps = SelectorText::steps($list->selectors[$number]->text);
        $at = array_search($part, $steps[$step][1] ?? [], true);
        if ($at === false) {
            return null;
        }
        [$combinator, $simples] = $steps[$step];
        array_splice($simples, $at, 1);
        array_splice($steps, $step, 1, $simples === [] ? [] : [[$combinator, $simples]]);
        if ($steps === []) {
            return null;
        }
        $text = $this->put($list, $number, SelectorText::join($steps));

        return [$text, $this->reachOf($text)];
    }

    /** The selector with a part replaced; null where that hits nothing either. */
    private function replaced(SelectorList $list, int $number, int $step, string $part, string $other): ?string
    {
        $steps = SelectorText::steps($list->selectors[$number]->text);
        [$combinator, $simples] = $steps[$step];
        $simples = array_map(static fn (string $simple): string => $simple === $part ? $other : $simple, $simples);
        // A tag comes first in its compound.
        usort($simples, static fn (string $a, string $b): int => (int) ctype_alpha($b[0]) <=> (int) ctype_alpha($a[0]));
        array_splice($steps, $step, 1, [[$combinator, $simples]]);
        $text = $this->put($list, $number, SelectorText::join($steps));

        return $this->reachOf($text) === [] ? null : $text;
    }

    private function put(SelectorList $list, int $number, string $text): string
    {
        $parts = array_map(static fn (ComplexSelector $s): string => $s->text, $list->selectors);
        $parts[$number] = $text;

        return implode(', ', $parts);
    }

    /** @return array<string, int> */
    private function reachOf(string $text): array
    {
        try {
            return $this->reach(SelectorParser::parse($text));
        } catch (InvalidSelector) {
            return [];
        }
    }

    /** @return array<string, int> how many elements it takes, by page; pages without any are left out */
    private function reach(SelectorList $selectors): array
    {
        $reach = [];
        foreach ($this->pages as $path => $page) {
            $reach[$path] = count(($this->matchers[$path] ??= new Matcher($page, States::any()))->selectAny($selectors));
        }

        return array_filter($reach);
    }

    /** @param  array<string, int>  $reach */
    private function told(array $reach): string
    {
        $count = array_sum($reach);
        $more = count($reach) - self::NAMED;

        return $count.($count === 1 ? ' element' : ' elements').' on '.implode(', ', array_slice(array_keys($reach), 0, self::NAMED)).($more > 0 ? " and $more more ".($more === 1 ? 'page' : 'pages') : '');
    }

    /** @param  'byId'|'byClass'|'byTag'  $column */
    private function uses(string $column, string $name): int
    {
        return array_sum(array_map(static fn (Page $page): int => count($page->{$column}[$name] ?? []), $this->pages));
    }

    /**
     * @param  'byId'|'byClass'|'byTag'  $column
     * @return list<string> names that exist and differ by little, the nearest first
     */
    private function nearest(string $column, string $name): array
    {
        $most = max(2, intdiv(strlen($name), 3));
        $names = [];
        foreach ($this->pages as $page) {
            $names += $page->{$column};
        }
        $distances = [];
        foreach (array_map(strval(...), array_keys($names)) as $known) {
            $distance = strlen($known) > 60 || strlen($name) > 60 ? $most + 1 : levenshtein(strtolower($name), strtolower($known));
            if ($distance <= $most) {
                $distances[$known] = $distance;
            }
        }
        asort($distances);

        return array_map(strval(...), array_slice(array_keys($distances), 0, self::TRIED));
    }

    /** The longest end of the selector that does hit something. */
    private function longestHit(ComplexSelector $selector): string
    {
        $steps = SelectorText::steps($selector->text);
        for ($drop = 1; $drop < count($steps); $drop++) {
            $rest = array_slice($steps, $drop);
            $reach = $this->reachOf(SelectorText::join($rest));
            if ($reach !== []) {
                return ' Without what stands before it, '.SelectorText::join($rest).' would take '.$this->told($reach).'.';
            }
        }

        return '';
    }
}
