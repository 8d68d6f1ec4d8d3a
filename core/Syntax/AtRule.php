<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** An at-rule; `children` is null where it ended in a semicolon and had no block. `name` is lower-case, without the @. */
final readonly class AtRule implements Node
{
    /** @param  ?list<Node>  $children */
    public function __construct(
        public string $name,
        public string $prelude,
        public ?array $children,
        public int $start,
        public int $end,
    ) {
    }

    public function start(): int
    {
        return $this->start;
    }
}
