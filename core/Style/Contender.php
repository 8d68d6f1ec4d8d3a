<?php

declare(strict_types=1);

namespace Insignum\Style;

/** One declaration that wants to set one property of one element. `entry` is null for inline style and hints. */
final readonly class Contender
{
    /** @param  list<int>  $key its place in the cascade: CascadeOrder */
    public function __construct(public Setting $setting, public ?Entry $entry, public Origin $origin, public array $key)
    {
    }
}
