<?php

declare(strict_types=1);

namespace Insignum\Colour;

final readonly class FixedColour implements ColourValue
{
    public function __construct(public Colour $colour)
    {
    }

    public function resolve(Colour $current, bool $dark): Colour
    {
        return $this->colour;
    }

    public function isFixed(): bool
    {
        return true;
    }
}
