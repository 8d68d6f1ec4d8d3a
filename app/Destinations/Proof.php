<?php

declare(strict_types=1);

namespace App\Destinations;

/** What was fetched back from the live site: addresses, and whether the sheet is the one that was sent, byte for byte. */
final readonly class Proof
{
    public function __construct(public string $page, public ?string $sheet, public bool $same, public string $at)
    {
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
