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

/**
 * Two ways beside each other: ours before and after theirs, as a machine's clock may change on the way.
 *
 * @return array{float, float, float} the medians of ours and theirs in ms, and of the ratio of theirs to ours
 */
function beside(callable $ours, callable $theirs, int $rounds = 5): array
{
    $all = [[], [], []];
    for ($i = 0; $i < $rounds; $i++) {
        $before = median($ours, 3);
        $there = median($theirs, 1);
        $own = ($before + median($ours, 3)) / 2;
        array_push($all[0], $own);
        array_push($all[1], $there);
        array_push($all[2], $there / $own);
    }
    foreach ($all as &$times) {
        sort($times);
    }

    return [$all[0][intdiv($rounds, 2)], $all[1][intdiv($rounds, 2)], $all[2][intdiv($rounds, 2)]];
}
