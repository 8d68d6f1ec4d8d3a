<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A comment, kept where it stood; `text` is what stands between its delimiters. */
final readonly class Comment implements Node
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
