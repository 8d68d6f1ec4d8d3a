<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Selector\Specificity;

/** A selector that takes the picked element, how it is meant, and what it reaches on every page. */
final readonly class Candidate
{
    /**
     * @param  string  $kind  `one`, `kind`, `region`, `page`, `page-kind` or `tag`
     * @param  string  $words  what it takes, in words
     * @param  array<string, list<int>>  $reach  elements by page path
     * @param  list<string>  $reasons  what speaks against it
     */
    public function __construct(
        public string $kind,
        public string $selector,
        public string $words,
        public Specificity $specificity,
        public array $reach,
        public array $reasons,
    ) {
    }

    public function count(): int
    {
        return array_sum(array_map(count(...), $this->reach));
    }
}
