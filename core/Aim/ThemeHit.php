<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Style\SheetRule;
use Insignum\Syntax\Declaration;

/** A rule of the theme that a search found, and the declarations that it was found by: none where its selector was. */
final readonly class ThemeHit
{
    /**
     * @param  list<Declaration>  $declarations
     * @param  ?float  $distance  from the colour searched for: 0 for the same, 0.02 is hardly to be told apart
     */
    public function __construct(public SheetRule $rule, public array $declarations, public ?float $distance = null)
    {
    }
}
