<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Colour\Colour;
use Insignum\Value\Units;

/** What a computed value may depend on. */
final readonly class Context
{
    /** @param  array<string, string>  $parent the parent's computed values */
    public function __construct(
        public Units $units,
        public Colour $colour,
        public bool $dark,
        public array $parent,
        public string $base = '',
    ) {
    }
}
