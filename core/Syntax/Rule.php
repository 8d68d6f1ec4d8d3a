<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A qualified rule: its prelude (a selector list as written) and what its block holds, in order. */
final readonly class Rule implements Node
{
    /** @param  list<Node>  $children */
    public function __construct(
        public string $prelude,
        public array $children,
        public int $start,
        public int $end,
    ) {
    }

    public function start(): int
    {
        return $this->start;
    }
}
