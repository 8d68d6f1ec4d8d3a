<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A part of a stylesheet that knows the bytes it was read from. */
interface Node
{
    /** The byte offset of its first character in the preprocessed source. */
    public function start(): int;
}
