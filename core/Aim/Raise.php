<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Sheet\Override;

/** An override changed so that it wins everywhere, and the change in words. */
final readonly class Raise
{
    public function __construct(public Override $override, public string $words)
    {
    }
}
