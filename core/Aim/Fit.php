<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Selector\Specificity;

/**
 * A selector found from examples, and how it fits them.
 *
 * It fits where it takes all that is meant and nothing that is to stay; it is exact where it takes nothing else either.
 */
final readonly class Fit
{
    /**
     * @param  array<string, list<int>>  $reach  by page, as all that follow
     * @param  array<string, list<int>>  $missed  meant, and not taken
     * @param  array<string, list<int>>  $wronged  to stay, and taken
     * @param  int  $others  how many it takes that are marked neither way
     * @param  list<string>  $reasons  what speaks against it
     */
    public function __construct(
        public string $selector,
        public Specificity $specificity,
        public array $reach,
        public array $missed,
        public array $wronged,
        public int $others,
        public array $reasons,
    ) {
    }

    public function fits(): bool
    {
        return $this->missed === [] && $this->wronged === [];
    }

    public function isExact(): bool
    {
        return $this->fits() && $this->others === 0;
    }

    public function count(): int
    {
        return array_sum(array_map(count(...), $this->reach));
    }
}
