<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** A value that is the same everywhere, already in its computed form. */
final readonly class Keyword implements Specified
{
    public function __construct(public string $text)
    {
    }

    public function compute(Context $context): string
    {
        return $this->text;
    }
}
