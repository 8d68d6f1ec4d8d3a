<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * A qualified rule: its prelude (a selector list as written) and what its block holds, in order.
 *
 * The prelude's tokens are those of the sheet from `first` up to `stop`, so that nobody has to tokenize it again; null where the
 * sheet's outline has none of it.
 */
final readonly class Rule implements Node
{
    /** @param  list<Node>|PlainBlock  $block */
    public function __construct(
        public string $prelude,
        public array|PlainBlock $block,
        public int $start,
        public int $end,
        public ?Tokens $tokens = null,
        public int $first = 0,
        public int $stop = 0,
    ) {
    }

    /** @return list<Node> */
    public function children(): array
    {
        return $this->block instanceof PlainBlock ? $this->block->declarations() : $this->block;
    }

    public function start(): int
    {
        return $this->start;
    }
}
