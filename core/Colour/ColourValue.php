<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** A colour as written, which may depend on the element: `currentcolor`, the colour scheme, or a mix with either. */
interface ColourValue
{
    public function resolve(Colour $current, bool $dark): Colour;

    /** Whether it is the same for every element. */
    public function isFixed(): bool;
}
