<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Page;
use Insignum\Style\Matching;
use Insignum\Style\PageStyles;
use Insignum\Style\PropertyTable;
use Insignum\Style\Style;

/**
 * What two states of a page's styles differ in.
 *
 * Cost: elements whose style is the very same object are passed over, so it is linear in what changed.
 */
final class EffectFinder
{
    /** Colours that show only where what they colour is there: the property that tells, and its values that say it isn't. */
    private const SHOWN_BY = [
        'border-top-color' => ['border-top-width', '0px'], 'border-right-color' => ['border-right-width', '0px'],
        'border-bottom-color' => ['border-bottom-width', '0px'], 'border-left-color' => ['border-left-width', '0px'],
        'outline-color' => ['outline-style', 'none'], 'text-decoration-color' => ['text-decoration-line', 'none'],
    ];

    /** What is told of a property that is carried as written, where nothing is written. */
    public const NOT_SET = 'not set';

    /** Properties that say how a look changes over time, and none of which is seen at rest. */
    private const UNSEEN = '/\A(?:-webkit-)?(?:transition|will-change|tap-highlight)/';

    /** What an element shows of its own. */
    private const TEXT = 1;

    private const DRAWING = 2;

    private const ALL = self::TEXT | self::DRAWING;

    /** Properties that show in drawings only. */
    private const OF_DRAWINGS = '/\A(?:fill|stroke|marker|stop-|flood-|lighting-|shape-rendering|color-(?:interpolation|rendering)|clip-rule|text-anchor|dominant-baseline|alignment-baseline|vector-effect)/';

    /** Inherited properties that show in an element's own text only. */
    private const OF_TEXT = ['color' => 1, 'font-size' => 1, 'font-weight' => 1, 'font-style' => 1, 'font-family' => 1, 'font-stretch' => 1, 'font-variant-caps' => 1, 'letter-spacing' => 1, 'text-transform' => 1, 'text-shadow' => 1];

    /** Elements that draw something in their text colour without holding text: fields, markers. */
    private const COLOURED = ['input', 'textarea', 'select', 'button', 'li', 'summary', 'hr', 'progress', 'meter'];

    /** @var array<string, list<string>> with the longhands whose values they are made of */
    private readonly array $properties;

    private readonly bool $withCarried;

    /**
     * @param  ?list<string>  $properties  those to compare; where none are given, all with a computed value, and all others as written
     * @param  bool  $visibleOnly  without computed values that change and show nowhere, as the colour of a border of no width
     */
    public function __construct(PropertyTable $table, ?array $properties = null, private readonly bool $visibleOnly = false)
    {
        $all = array_keys($table->all());
        $names = $properties ?? array_unique(array_map(static fn (string $p): string => str_starts_with($p, 'background-position-') ? 'background-position' : $p, $all));
        $parts = [];
        foreach ($names as $name) {
            $parts[$name] = $name === 'background-position' ? ['background-position-x', 'background-position-y'] : [$name];
        }
        $this->properties = $parts;
        $this->withCarried = $properties === null;
    }

    /**
     * @param  array<int, true>  $matched  the elements that the override matches itself
     * @param  array<int, true>  $meant
     * @return list<Change> in document order
     */
    public function between(string $page, PageStyles $before, PageStyles $after, array $matched, array $meant): array
    {
        $changes = $known = [];
        foreach ($after->differing($before) as $element) {
            $style = $after->style($element);
            $was = $before->style($element);
            if ($style === $was || $after->page->isFallback($element)) {
                continue;
            }
            $shows = $this->visibleOnly ? $this->shown($after, $element) : self::ALL;
            $properties = $known[spl_object_id($was).' '.spl_object_id($style).$shows] ??= $this->differences($was, $style, $shows);
            if ($properties !== []) {
                $cause = isset($matched[$element]) ? Cause::Matched : Cause::Inherited;
                $changes[] = new Change($page, $element, $cause, isset($meant[$element]), $properties);
            }
        }
        foreach (array_merge_recursive($before->matching->touchedPseudo(), $after->matching->touchedPseudo()) as $pseudo => $elements) {
            foreach (str_starts_with($pseudo, Matching::CONTAINED) ? [] : array_unique($elements) as $element) {
                if ($after->matching->pseudoEntriesOf($element, $pseudo) === $before->matching->pseudoEntriesOf($element, $pseudo)) {
                    continue;
                }
                $was = $before->pseudo($element, $pseudo) ?? $before->style($element);
                $is = $after->pseudo($element, $pseudo) ?? $after->style($element);
                $properties = $this->differences($was, $is);
                if ($properties !== []) {
                    $changes[] = new Change($page, $element, Cause::Matched, isset($meant[$element]), $properties, $pseudo);
                }
            }
        }

        return $changes;
    }

    /** @return array<string, array{string, string}> */
    private function differences(Style $before, Style $after, int $shows = self::ALL): array
    {
        $out = [];
        $recoloured = $before->colour !== $after->colour && (string) $before->colour !== (string) $after->colour;
        $relayered = $before->values['background-image'] !== $after->values['background-image'];
        foreach ($this->properties as $property => $parts) {
            $may = false;
            foreach ($parts as $part) {
                $raw = $after->values[$part];
                $may = $may || $raw !== $before->values[$part] || ($recoloured && str_contains($raw, 'currentcolor')) || ($relayered && str_starts_with($part, 'background-'));
            }
            if (! $may) {
                continue;
            }
            $was = $before->value($property) ?? '';
            $is = $after->value($property) ?? '';
            if ($was !== $is && ! (($shows & self::TEXT) === 0 && isset(self::OF_TEXT[$property])) && ! ($this->visibleOnly && $this->isUnseen($property, $before, $after))) {
                $out[$property] = [$was, $is];
            }
        }

        return $this->withCarried && $before->carried !== $after->carried ? $out + $this->carried($before->carried, $after->carried, $shows) : $out;
    }

    /**
     * @param  array<string, string>  $before
     * @param  array<string, string>  $after
     * @return array<string, array{string, string}>
     */
    private function carried(array $before, array $after, int $shows): array
    {
        $out = [];
        foreach ($before + $after as $property => $_) {
            $was = $before[$property] ?? self::NOT_SET;
            $is = $after[$property] ?? self::NOT_SET;
            $needs = preg_match(self::OF_DRAWINGS, $property) === 1 ? self::DRAWING : (isset(PropertyTable::CARRIED_DOWN[$property]) ? self::TEXT : 0);
            $isUnseen = ($needs & ~$shows) !== 0 || ($this->visibleOnly && preg_match(self::UNSEEN, $property) === 1);
            if ($was !== $is && ! $isUnseen) {
                $out[$property] = [$was, $is];
            }
        }

        return $out;
    }

    /** What an element shows of its own: its text colour where it holds text or a control, or something is put before or after it. */
    private function shown(PageStyles $styles, int $element): int
    {
        $page = $styles->page;
        if (isset($page->foreign[$element])) {
            return self::ALL;
        }
        if ($page->texts[$element] !== '' || in_array($page->tags[$element], self::COLOURED, true)) {
            return self::TEXT;
        }
        foreach (['before', 'after'] as $pseudo) {
            $content = $styles->cascade->contenders($element, 'content', $pseudo)[0] ?? null;
            if ($content !== null && ! in_array(strtolower(trim($content->setting->declaration->value)), ['none', 'normal', '""', "''"], true)) {
                return self::TEXT;
            }
        }

        return 0;
    }

    private function isUnseen(string $property, Style $before, Style $after): bool
    {
        if (! isset(self::SHOWN_BY[$property])) {
            return false;
        }
        [$teller, $absent] = self::SHOWN_BY[$property];

        return $before->value($teller) === $absent && $after->value($teller) === $absent;
    }
}
