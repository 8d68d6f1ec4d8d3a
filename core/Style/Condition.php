<?php

declare(strict_types=1);

namespace Insignum\Style;

/** Under what circumstances a page is looked at: a viewport in CSS pixels, 1 dppx, light scheme, a fine pointer that hovers. */
final readonly class Condition
{
    public function __construct(public int $width = 1280, public int $height = 800)
    {
    }
}
