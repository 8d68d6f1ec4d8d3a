<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\SelectorList;

/** `@scope (roots) to (limits)`: Cascade 6, section 2.5. */
final readonly class ScopeRange
{
    public function __construct(public ?SelectorList $roots, public ?SelectorList $limits)
    {
    }
}
