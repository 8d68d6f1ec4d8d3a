<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** A compound selector: all its tests hold of one element. `tag` is null for any. */
final readonly class Compound
{
    /**
     * @param  list<string>  $ids
     * @param  list<string>  $classes
     * @param  list<AttributeTest>  $attributes
     * @param  list<PseudoClass>  $pseudoClasses
     */
    public function __construct(
        public ?string $tag = null,
        public array $ids = [],
        public array $classes = [],
        public array $attributes = [],
        public array $pseudoClasses = [],
    ) {
    }

    public function specificity(): Specificity
    {
        $sum = new Specificity(count($this->ids), count($this->classes) + count($this->attributes), $this->tag === null ? 0 : 1);
        foreach ($this->pseudoClasses as $pseudo) {
            $sum = $sum->plus($pseudo->specificity());
        }

        return $sum;
    }
}
