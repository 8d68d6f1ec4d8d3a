<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** The selectors that fit the examples, the best first; `confusion` says which elements can't be told apart, where none does. */
final readonly class Aimed
{
    /** @param  list<Fit>  $fits */
    public function __construct(public array $fits, public ?string $confusion = null)
    {
    }
}
