<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** `light-dark()`, Color 5, section 7. */
final readonly class SchemeColour implements ColourValue
{
    public function __construct(private ColourValue $light, private ColourValue $dark)
    {
    }

    public function resolve(Colour $current, bool $dark): Colour
    {
        return ($dark ? $this->dark : $this->light)->resolve($current, $dark);
    }

    public function isFixed(): bool
    {
        return false;
    }
}
