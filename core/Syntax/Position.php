<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A place in a source, worked out from a byte offset only when it is shown. Lines and columns count from 1. */
final readonly class Position
{
    public function __construct(public int $line, public int $column)
    {
    }

    public static function of(string $source, int $offset): self
    {
        $before = substr($source, 0, $offset);
        $line = substr_count($before, "\n") + 1;
        $start = strrpos($before, "\n");

        return new self($line, mb_strlen(substr($before, $start === false ? 0 : $start + 1)) + 1);
    }
}
