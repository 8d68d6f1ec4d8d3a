<?php

declare(strict_types=1);

namespace Insignum\Style;

/** Where a custom property that a value uses was set; `element` is the one that it was set on, maybe an ancestor. */
final readonly class VariableSource
{
    public function __construct(public string $name, public int $element, public Contender $setBy, public string $value)
    {
    }
}
