<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** CSS that isn't one rule with an optional width range, such as `@font-face` or nested rules; carried verbatim. */
final readonly class RawBlock implements SheetEntry
{
    public function __construct(public string $id, public string $css)
    {
    }

    public function id(): string
    {
        return $this->id;
    }
}
