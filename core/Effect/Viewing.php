<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Selector\Wear;
use Insignum\Style\Condition;

/**
 * A width and a state under which a site is looked at; the state is a user-action pseudo-class, or empty for resting. Sleeping
 * states may be put on as well.
 */
final readonly class Viewing
{
    /** @param  list<Wear>  $wears */
    public function __construct(public Condition $condition = new Condition, public string $state = '', public array $wears = [])
    {
    }

    /** `1280`, `1280, hover` or `1280, .is-open` */
    public function label(): string
    {
        return implode(', ', [(string) $this->condition->width, ...($this->state === '' ? [] : [$this->state]), ...array_map(static fn (Wear $w): string => $w->part, $this->wears)]);
    }
}
