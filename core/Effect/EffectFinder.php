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

    /** Elements that draw something in their text colour without holding text: fields, markers. */
    private const COLOURED = ['input', 'textarea', 'select', 'button', 'li', 'summary', 'hr', 'progress', 'meter'];

    /** @var array<string, list<string>> with the longhands whose values they are made of */
    private readonly array $properties;

    /**
     * @param  ?list<string>  $properties  those to compare; all with a computed value where none are given
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
            $showsColour = ! $this->visibleOnly || $this->showsColour($after->page, $element);
            $properties = $known[spl_object_id($was).' '.spl_object_id($style).$showsColour] ??= $this->differences($was, $style, $showsColour);
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
    private function differences(Style $before, Style $after, bool $showsColour = true): array
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
            if ($was !== $is && ! ($property === 'color' && ! $showsColour) && ! ($this->visibleOnly && $this->isUnseen($property, $before, $after))) {
                $out[$property] = [$was, $is];
            }
        }

        return $out;
    }

    /** Whether an element has anything of its own that its text colour is for. */
    private function showsColour(Page $page, int $element): bool
    {
        return $page->texts[$element] !== '' || isset($page->foreign[$element]) || in_array($page->tags[$element], self::COLOURED, true);
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
