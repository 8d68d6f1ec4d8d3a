<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** A specified value: what a valid declaration holds. `compute` gives the computed value as CSSOM writes it. */
interface Specified
{
    public function compute(Context $context): string;
}
