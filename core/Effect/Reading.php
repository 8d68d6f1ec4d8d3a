<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;
use Insignum\Colour\Contrast;

/** How well one text can be read before and after: contrast ratios, what its size needs, and what is behind it now. */
final readonly class Reading
{
    public function __construct(
        public string $page,
        public int $element,
        public float $before,
        public float $after,
        public float $needed,
        public Colour $text,
        public BackdropColours $behind,
    ) {
    }

    /** The nearest colour that passes; null where this one does, or none would. */
    public function nearest(): ?Colour
    {
        return $this->fails() ? Contrast::nearestPassing($this->text, $this->behind->colours, $this->needed) : null;
    }

    public function fails(): bool
    {
        return $this->after < $this->needed;
    }

    public function worsened(): bool
    {
        return $this->fails() && $this->after < $this->before - 0.005;
    }
}
