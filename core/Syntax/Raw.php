<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Text that is not CSS as the standard knows it, kept verbatim. */
final readonly class Raw implements Node
{
    public function __construct(
        public string $text,
        public int $start,
        public int $end,
    ) {
    }

    public function start(): int
    {
        return $this->start;
    }
}
