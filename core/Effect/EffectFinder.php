<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Page;
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

    /** @var list<string> */
    private readonly array $properties;

    /**
     * @param  ?list<string>  $properties  those to compare; all with a computed value where none are given
     * @param  bool  $visibleOnly  without computed values that change and show nowhere, as the colour of a border of no width
     */
    public function __construct(PropertyTable $table, ?array $properties = null, private readonly bool $visibleOnly = false)
    {
        $all = array_keys($table->all());
        $this->properties = $properties ?? array_values(array_unique(array_map(
            static fn (string $p): string => str_starts_with($p, 'background-position-') ? 'background-position' : $p,
            $all,
        )));
    }

    /**
     * @param  array<int, true>  $matched  the elements that the override matches itself
     * @param  array<int, true>  $meant
     * @return list<Change> in document order
     */
    public function between(string $page, PageStyles $before, PageStyles $after, array $matched, array $meant): array
    {
        $changes = [];
        foreach ($after->styles as $element => $style) {
            $properties = $style === $before->styles[$element] || $after->page->isFallback($element) ? [] : $this->differences($before->styles[$element], $style, ! $this->visibleOnly || $this->showsColour($after->page, $element));
            if ($properties !== []) {
                $cause = isset($matched[$element]) ? Cause::Matched : Cause::Inherited;
                $changes[] = new Change($page, $element, $cause, isset($meant[$element]), $properties);
            }
        }
        foreach ($after->matching->pseudo as $pseudo => $elements) {
            foreach ($elements as $element => $entries) {
                if ($entries !== ($before->matching->pseudo[$pseudo][$element] ?? [])) {
                    $was = $before->pseudo($element, $pseudo) ?? $before->styles[$element];
                    $is = $after->pseudo($element, $pseudo);
                    $properties = $is === null ? [] : $this->differences($was, $is);
                    if ($properties !== []) {
                        $changes[] = new Change($page, $element, Cause::Matched, isset($meant[$element]), $properties, $pseudo);
                    }
                }
            }
        }

        return $changes;
    }

    /** @return array<string, array{string, string}> */
    private function differences(Style $before, Style $after, bool $showsColour = true): array
    {
        $out = [];
        foreach ($this->properties as $property) {
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
