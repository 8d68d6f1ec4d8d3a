<?php

declare(strict_types=1);

namespace Insignum\Style;

/** `@import`: Cascade 5, section 2. `layer` is null where none is asked for, and empty for an anonymous one. */
final readonly class ImportRule
{
    public function __construct(public string $address, public string $media, public ?string $layer)
    {
    }
}
