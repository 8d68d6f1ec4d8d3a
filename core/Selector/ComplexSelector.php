<?php

declare(strict_types=1);

namespace Insignum\Selector;

/**
 * Compounds from left to right; `combinators[i]` (' ', '>', '+' or '~') stands between compounds i and i + 1.
 *
 * A relative selector, as in `:has()`, has one more combinator, at its front: `leading`.
 */
final readonly class ComplexSelector
{
    public Specificity $specificity;

    /**
     * @param  non-empty-list<Compound>  $compounds
     * @param  list<string>  $combinators
     * @param  ?string  $pseudoElement  lower-case, without colons
     */
    public function __construct(
        public array $compounds,
        public array $combinators,
        public ?string $pseudoElement,
        public string $text,
        public string $leading = '',
    ) {
        $sum = new Specificity(0, 0, $pseudoElement === null ? 0 : 1);
        foreach ($compounds as $compound) {
            $sum = $sum->plus($compound->specificity());
        }
        $this->specificity = $sum;
    }
}
