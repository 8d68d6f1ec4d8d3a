<?php

declare(strict_types=1);

namespace Insignum\Sheet;

final readonly class Heading implements SheetEntry
{
    public function __construct(public string $id, public string $text)
    {
    }

    public function id(): string
    {
        return $this->id;
    }
}
