<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** A part that stands above or before all that is meant, and the combinator that says so. */
final readonly class Surrounding
{
    /** What each combinator adds to the cost of its part. */
    private const COSTS = [' ' => 1.0, ' > ' => 1.8, ' + ' => 3.0];

    /**
     * @param  \Closure(): string  $set  all elements that stand so
     * @param  int  $kept  bits of the elements to be kept that do
     */
    public function __construct(public Part $part, public string $combinator, public \Closure $set, public int $kept)
    {
    }

    public function cost(): float
    {
        return $this->part->cost + self::COSTS[$this->combinator];
    }
}
