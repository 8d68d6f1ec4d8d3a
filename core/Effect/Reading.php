<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;

/** How well one text can be read before and after: contrast ratios, what its size needs, and a colour that passes. */
final readonly class Reading
{
    public function __construct(
        public string $page,
        public int $element,
        public float $before,
        public float $after,
        public float $needed,
        public Colour $text,
        public ?Colour $nearest,
        public bool $certain,
    ) {
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
