<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** A colour of a stylesheet, how often it is used, and the custom property that holds it where one does. */
final readonly class PaletteColour
{
    public function __construct(public Colour $colour, public int $uses, public ?string $variable)
    {
    }
}
