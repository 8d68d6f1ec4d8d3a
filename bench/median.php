<?php

declare(strict_types=1);

/** The median of the times that $work takes, in milliseconds. */
function median(callable $work, int $rounds = 5): float
{
    $times = [];
    for ($i = 0; $i < $rounds; $i++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv($rounds, 2)];
}
