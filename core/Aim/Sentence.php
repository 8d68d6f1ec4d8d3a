<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\Compound;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\Wear;
use Insignum\Sheet\Mark;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\WidthRange;

/**
 * What an override does, in words: where, how far, what, when. Parts that can be changed name what they open.
 *
 * @phpstan-type SentencePart array{text: string, opens: ?string}
 */
final class Sentence
{
    private const STATES = ['' => 'resting', 'hover' => 'while pointed at', 'focus' => 'while focused', 'focus-visible' => 'while focused by key', 'focus-within' => 'while something in it is focused', 'active' => 'while pressed', 'target' => 'while the address points at it'];

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages)
    {
    }

    /**
     * @param  array<string, list<int>>  $reach  elements by page
     * @return list<SentencePart>
     */
    public function of(Override $override, array $reach): array
    {
        $hit = array_filter($reach);
        $count = array_sum(array_map(count(...), $reach));

        return [
            self::part('On '),
            self::part($this->where($hit), 'pages'),
            self::part(', '),
            self::part($this->what($override, $hit, $count), 'reach'),
            self::part(' gets '),
            ...self::changes($override),
            self::part(', '),
            self::part(self::state($override), 'state'),
            ...self::kept($override),
            self::part('.'),
        ];
    }

    /** @return SentencePart */
    private static function part(string $text, ?string $opens = null): array
    {
        return ['text' => $text, 'opens' => $opens];
    }

    /** @return list<SentencePart> how much changes, and at which widths */
    private static function changes(Override $override): array
    {
        $groups = array_map(static fn (array $group): array => [$group[0], count(array_filter($group[1], static fn (OverrideDeclaration $d): bool => $d->enabled))], $override->byWidth());
        $groups = array_values(array_filter($groups, static fn (array $group): bool => $group[1] > 0)) ?: [[$override->widths, 0]];
        $parts = [];
        foreach ($groups as $i => [$widths, $count]) {
            $parts[] = self::part($i === 0 ? '' : ' and ');
            $parts[] = self::part($i > 0 ? "$count more" : ($count === 0 ? 'no change yet' : ($count === 1 ? '1 change' : "$count changes")), 'changes');
            $parts[] = self::part(' at ');
            $parts[] = self::part(self::widths($widths), $i === 0 ? 'widths' : 'changes');
        }

        return array_slice($parts, 1);
    }

    private static function state(Override $override): string
    {
        $worn = array_map(static fn (Wear $w): string => "while {$w->on} has {$w->part}", $override->wears);
        $state = self::STATES[$override->state] ?? $override->state;

        return implode(' and ', $override->state === '' && $worn !== [] ? $worn : [$state, ...$worn]);
    }

    /** @return list<SentencePart> */
    private static function kept(Override $override): array
    {
        $kept = count(array_filter($override->marks, static fn (Mark $m): bool => $m->kind === 'kept'));

        return $kept === 0 ? [] : [self::part(', and leaves '), self::part($kept === 1 ? 'one alone' : "$kept alone", 'marks')];
    }

    /** @param  array<string, list<int>>  $hit */
    private function where(array $hit): string
    {
        $pages = count($hit);
        if ($pages === 0) {
            return 'no page';
        }
        if ($pages === count($this->pages)) {
            return $pages === 1 ? 'the one page' : 'every page';
        }

        return $pages === 1 ? 'one page' : "$pages of ".count($this->pages).' pages';
    }

    /** @param  array<string, list<int>>  $hit */
    private function what(Override $override, array $hit, int $count): string
    {
        if ($count === 0) {
            return 'nothing';
        }
        $nouns = [];
        foreach ($hit as $path => $elements) {
            foreach ($elements as $element) {
                $nouns[Nouns::of($this->pages[$path], $element)] = true;
            }
        }
        $noun = count($nouns) === 1 ? (string) array_key_first($nouns) : 'element';
        if ($count === 1) {
            return "the one $noun";
        }

        return "each $noun".$this->region($override->selector);
    }

    /** The nearest region named in the selector: “inside a tone night section”, or in one of several. */
    private function region(string $selector): string
    {
        try {
            $list = SelectorParser::parse($selector);
        } catch (InvalidSelector) {
            return '';
        }
        $complex = $list->selectors[0];
        if (count($list->selectors) !== 1 || count($complex->compounds) < 2) {
            return '';
        }
        $around = $complex->compounds[count($complex->compounds) - 2];
        $named = [];
        foreach (self::alternatives($around) as $compound) {
            $name = $compound->classes[0] ?? $compound->ids[0] ?? null;
            $place = $name === null ? null : $this->place($compound->classes !== [] ? 'byClass' : 'byId', $name);
            if ($place === null) {
                return $around->tag === null ? '' : ' inside a '.Nouns::tag($around->tag);
            }
            $named[$place][] = '“'.Nouns::words((string) $name).'”';
        }
        $phrases = [];
        foreach ($named as $place => $names) {
            $phrases[] = ($place === 'page' ? 'on' : 'inside').' a '.implode(' or ', $names)." $place";
        }

        return ' '.implode(' or ', $phrases);
    }

    /** @return non-empty-list<Compound> the compounds of an `:is()` or `:where()` that stands alone; itself otherwise */
    private static function alternatives(Compound $compound): array
    {
        $pseudo = $compound->pseudoClasses[0] ?? null;
        $list = in_array($pseudo?->name, ['is', 'where'], true) && $compound->classes === [] && $compound->ids === [] ? $pseudo->selectors->selectors ?? [] : [];
        $single = array_filter($list, static fn (ComplexSelector $s): bool => count($s->compounds) === 1);

        return $list === [] || count($single) < count($list) ? [$compound] : array_map(static fn (ComplexSelector $s): Compound => $s->compounds[0], $list);
    }

    /** What the first element that has a class or id is; null where none has it. */
    private function place(string $column, string $name): ?string
    {
        foreach ($this->pages as $page) {
            $element = $page->{$column}[$name][0] ?? null;
            if ($element !== null) {
                return $page->tags[$element] === 'body' ? 'page' : Nouns::of($page, $element);
            }
        }

        return null;
    }

    /** A range of widths in words. */
    public static function widths(WidthRange $widths): string
    {
        return match (true) {
            $widths->isAny() => 'any width',
            $widths->from === null => "{$widths->to}px and narrower",
            $widths->to === null => "{$widths->from}px and wider",
            default => "{$widths->from} to {$widths->to}px",
        };
    }
}
