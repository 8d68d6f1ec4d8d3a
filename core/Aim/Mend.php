<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Sheet\Override;

/** One way out of a spill, tried: the override as it would be, and a rule of its own where one is added. */
final readonly class Mend
{
    /**
     * @param  'narrower'|'leave'|'restore'|'accept'  $kind
     * @param  ?Override  $added  a second override that puts old values back
     * @param  int  $left  how many elements would still spill
     */
    public function __construct(public string $kind, public string $words, public Override $override, public ?Override $added, public int $left)
    {
    }
}
