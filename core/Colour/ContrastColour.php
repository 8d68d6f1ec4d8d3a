<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** `contrast-color()`, Color 5, section 9: black or white, whichever can be read better on a colour. */
final readonly class ContrastColour implements ColourValue
{
    public function __construct(private ColourValue $ground)
    {
    }

    public function resolve(Colour $current, bool $dark): Colour
    {
        $ground = $this->ground->resolve($current, $dark);
        $white = new Colour(Space::Srgb, [1.0, 1.0, 1.0]);

        return Contrast::ratio($white, $ground) >= Contrast::ratio(Colour::black(), $ground) ? $white : Colour::black();
    }

    public function isFixed(): bool
    {
        return $this->ground->isFixed();
    }
}
