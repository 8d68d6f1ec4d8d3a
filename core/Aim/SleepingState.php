<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Selector\Wear;
use Insignum\Style\SheetRule;

/** A class or attribute that the theme has rules for and that some elements are not wearing now. */
final readonly class SleepingState
{
    /**
     * @param  array<string, list<int>>  $hosts  the elements that it would go on, by page
     * @param  list<SheetRule>  $rules  those that wake with it
     */
    public function __construct(public Wear $wear, public array $hosts, public array $rules)
    {
    }
}
