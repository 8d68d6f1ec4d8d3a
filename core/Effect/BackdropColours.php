<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;
use Insignum\Colour\Contrast;

/** The opaque colours behind a text; not certain where an image behind it couldn't be sampled. */
final readonly class BackdropColours
{
    /** @param  non-empty-list<Colour>  $colours */
    public function __construct(public array $colours, public bool $certain)
    {
    }

    /** The lowest contrast ratio that a text colour has anywhere on them. */
    public function lowest(Colour $text): float
    {
        return min(array_map(static fn (Colour $behind): float => Contrast::ratio($text, $behind), $this->colours));
    }
}
