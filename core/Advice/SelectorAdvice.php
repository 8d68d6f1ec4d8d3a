<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Page\Page;
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\States;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Ident;
use Insignum\Syntax\Severity;

/** Why a selector hits nothing: the part that no page has and the nearest that exists, or the parts that never come together. */
final class SelectorAdvice
{
    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages)
    {
    }

    /** @return ?Finding null where it hits something */
    public function on(SelectorList $selectors): ?Finding
    {
        foreach ($this->pages as $page) {
            if ((new Matcher($page, States::any()))->selectAny($selectors) !== []) {
                return null;
            }
        }
        foreach ($selectors->selectors as $selector) {
            $finding = $this->unknownPart($selector);
            if ($finding !== null) {
                return $finding;
            }
        }

        return new Finding('hits-nothing', Severity::Warning, 'Every part of it exists, but nowhere together in this way.'.$this->longestHit($selectors->selectors[0]));
    }

    private function unknownPart(ComplexSelector $selector): ?Finding
    {
        foreach ($selector->compounds as $compound) {
            foreach ($compound->ids as $id) {
                if ($this->uses('byId', $id) === 0) {
                    return $this->unknown('#', $id, 'No page has an element with the id “'.$id.'”.');
                }
            }
            foreach ($compound->classes as $class) {
                if ($this->uses('byClass', $class) === 0) {
                    return $this->unknown('.', $class, 'No page has an element with the class “'.$class.'”.');
                }
            }
            if ($compound->tag !== null && $this->uses('byTag', strtolower($compound->tag)) === 0 && $this->uses('byTag', $compound->tag) === 0) {
                return $this->unknown('', $compound->tag, "No page has a <{$compound->tag}> element.");
            }
        }

        return null;
    }

    private function unknown(string $sign, string $name, string $message): Finding
    {
        $kinds = ['.' => ['byClass', 'class'], '#' => ['byId', 'id'], '' => ['byTag', 'tag']];
        foreach ($kinds as $other => [$column, $word]) {
            $uses = $other === $sign ? 0 : $this->uses($column, $name);
            if ($uses > 0) {
                $fix = $other.Ident::escape($name);

                return new Finding('hits-nothing', Severity::Warning, "$message But “{$name}” is a $word here: $fix, $uses ".($uses === 1 ? 'element' : 'elements').'.', fix: $fix);
            }
        }
        $nearest = $this->nearest($kinds[$sign][0], $name);
        if ($nearest === null) {
            return new Finding('hits-nothing', Severity::Warning, $message);
        }
        $fix = $sign.Ident::escape($nearest);

        return new Finding('hits-nothing', Severity::Warning, "$message The nearest that exists is $fix.", fix: $fix);
    }

    /** @param  'byId'|'byClass'|'byTag'  $column */
    private function uses(string $column, string $name): int
    {
        return array_sum(array_map(static fn (Page $page): int => count($page->{$column}[$name] ?? []), $this->pages));
    }

    /** @param  'byId'|'byClass'|'byTag'  $column */
    private function nearest(string $column, string $name): ?string
    {
        $best = null;
        $least = max(2, intdiv(strlen($name), 3)) + 1;
        $names = [];
        foreach ($this->pages as $page) {
            $names += $page->{$column};
        }
        foreach (array_keys($names) as $known) {
            $distance = strlen((string) $known) > 60 || strlen($name) > 60 ? $least : levenshtein(strtolower($name), strtolower((string) $known));
            if ($distance < $least) {
                [$best, $least] = [(string) $known, $distance];
            }
        }

        return $best;
    }

    /** The longest end of the selector that does hit something. */
    private function longestHit(ComplexSelector $selector): string
    {
        $parts = preg_split('/\s*[>+~]\s*|\s+/', $selector->text) ?: [];
        for ($drop = 1; $drop < count($selector->compounds); $drop++) {
            $rest = implode(' ', array_slice($parts, $drop));
            $list = SelectorParser::parse($rest);
            $hits = 0;
            foreach ($this->pages as $page) {
                $hits += count((new Matcher($page, States::any()))->selectAny($list));
            }
            if ($hits > 0) {
                return " Without “{$parts[$drop - 1]}”, $rest would take $hits ".($hits === 1 ? 'element' : 'elements').'.';
            }
        }

        return '';
    }
}
