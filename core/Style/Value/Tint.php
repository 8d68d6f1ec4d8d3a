<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Colour\ColourValue;
use Insignum\Colour\CurrentColour;

/** A colour, resolved against the element's text colour and colour scheme; `currentcolor` stays a keyword, as it is inherited like that. */
final readonly class Tint implements Specified
{
    public function __construct(public ColourValue $colour)
    {
    }

    public function compute(Context $context): string
    {
        if ($this->colour instanceof CurrentColour) {
            return 'currentcolor';
        }

        return (string) $this->colour->resolve($context->colour, $context->dark);
    }
}
