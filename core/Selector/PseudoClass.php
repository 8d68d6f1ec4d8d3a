<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** A pseudo-class: its lower-case name and what its parentheses hold, as a selector list, An+B, or words. */
final readonly class PseudoClass
{
    /** @param  list<string>  $words */
    public function __construct(
        public string $name,
        public ?SelectorList $selectors = null,
        public ?Nth $nth = null,
        public array $words = [],
    ) {
    }

    public function specificity(): Specificity
    {
        return match ($this->name) {
            'where' => new Specificity,
            'is', 'not', 'has', '&' => $this->selectors?->highest() ?? new Specificity,
            'nth-child', 'nth-last-child' => (new Specificity(0, 1))->plus($this->nth?->of?->highest() ?? new Specificity),
            default => new Specificity(0, 1),
        };
    }
}
