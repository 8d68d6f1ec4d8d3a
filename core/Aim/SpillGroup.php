<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Effect\Cause;

/** Spilled elements of one kind, with the ways out that were found. */
final readonly class SpillGroup
{
    /**
     * @param  string  $label  tag and first class of all of them
     * @param  array<string, list<int>>  $elements  by page
     * @param  array<string, array{string, string}>  $properties  before and after, the same on all of them
     * @param  list<Mend>  $mends
     */
    public function __construct(public string $label, public Cause $cause, public array $elements, public array $properties, public array $mends)
    {
    }

    public function count(): int
    {
        return array_sum(array_map(count(...), $this->elements));
    }
}
