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
        $a = $b = 0;
        $c = $pseudoElement === null ? 0 : 1;
        foreach ($compounds as $compound) {
            $a += count($compound->ids);
            $b += count($compound->classes) + count($compound->attributes);
            $c += $compound->tag === null ? 0 : 1;
            foreach ($compound->pseudoClasses as $pseudo) {
                $own = $pseudo->specificity();
                $a += $own->a;
                $b += $own->b;
                $c += $own->c;
            }
        }
        $this->specificity = new Specificity($a, $b, $c);
    }
}
