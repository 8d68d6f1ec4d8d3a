<?php

declare(strict_types=1);

namespace Insignum\Selector;

final readonly class SelectorList
{
    /** @param  list<ComplexSelector>  $selectors */
    public function __construct(public array $selectors)
    {
    }

    public function highest(): Specificity
    {
        $highest = new Specificity;
        foreach ($this->selectors as $selector) {
            $highest = $selector->specificity->compare($highest) > 0 ? $selector->specificity : $highest;
        }

        return $highest;
    }

    /** @return list<?string> the pseudo-elements that it takes, null for elements themselves */
    public function pseudoElements(): array
    {
        $all = [];
        foreach ($this->selectors as $selector) {
            $all[(string) $selector->pseudoElement] = $selector->pseudoElement;
        }

        return array_values($all);
    }

    public function __toString(): string
    {
        return implode(', ', array_map(static fn (ComplexSelector $s): string => $s->text, $this->selectors));
    }
}
