<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** Two values that are written as one where they come to the same, as the two radii of a corner do. */
final readonly class Pair implements Specified
{
    public function __construct(private Specified $first, private Specified $second)
    {
    }

    public function compute(Context $context): string
    {
        $both = [$this->first->compute($context), $this->second->compute($context)];

        return implode(' ', array_unique($both));
    }
}
