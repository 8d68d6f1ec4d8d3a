<?php

declare(strict_types=1);

namespace Insignum\Style;

/** The place where a layer is named for the first time, which is what orders layers: Cascade 5, section 6.4. */
final readonly class LayerName
{
    public function __construct(public string $name)
    {
    }
}
