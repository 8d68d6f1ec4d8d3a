<?php

declare(strict_types=1);

namespace Insignum\Effect;

/** A change, the override that did it (null where that can't be told), and under which viewings it is to be seen. */
final readonly class SeenChange
{
    /**
     * @param  list<Viewing>  $viewings
     * @param  bool  $isAccepted  whether it wasn't meant, and is marked as all right
     */
    public function __construct(public Change $change, public ?string $override, public array $viewings, public bool $isAccepted = false)
    {
    }
}
