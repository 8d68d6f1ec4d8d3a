<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Style\Condition;

/** A width and a state under which a site is looked at; the state is a user-action pseudo-class, or empty for resting. */
final readonly class Viewing
{
    public function __construct(public Condition $condition = new Condition, public string $state = '')
    {
    }

    /** `1280` or `1280, hover` */
    public function label(): string
    {
        return $this->condition->width.($this->state === '' ? '' : ", {$this->state}");
    }
}
