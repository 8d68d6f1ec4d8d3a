<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** A compound selector: all its tests hold of one element. `tag` is null for any, and so is `namespace`; an empty one is none at all. */
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
        public ?string $namespace = null,
    ) {
    }
}
