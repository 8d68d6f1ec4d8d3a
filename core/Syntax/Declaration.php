<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A declaration: CSS Syntax 3, 5.4.6. `name` is lower-case unless it is a custom property; `value` is the verbatim value without `!important`. */
final readonly class Declaration implements Node
{
    public function __construct(
        public string $name,
        public string $value,
        public bool $important,
        public int $start,
        public int $end,
        public int $valueStart,
    ) {
    }

    public function start(): int
    {
        return $this->start;
    }
}
