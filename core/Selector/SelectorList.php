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

    public function __toString(): string
    {
        return implode(', ', array_map(static fn (ComplexSelector $s): string => $s->text, $this->selectors));
    }
}
