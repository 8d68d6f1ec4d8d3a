<?php

declare(strict_types=1);

namespace Insignum\Colour;

final readonly class CurrentColour implements ColourValue
{
    public function resolve(Colour $current, bool $dark): Colour
    {
        return $current;
    }

    public function isFixed(): bool
    {
        return false;
    }
}
