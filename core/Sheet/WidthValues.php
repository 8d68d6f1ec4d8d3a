<?php

declare(strict_types=1);

namespace Insignum\Sheet;

use Insignum\Style\Shorthands;

/**
 * An override's declarations by the widths at which they count: wide ranges first, so that a narrower one has the last word.
 * What is said alike at ranges that touch is said once for all of them, where nothing between would show through.
 *
 * @phpstan-type Group array{WidthRange, list<OverrideDeclaration>}
 */
final class WidthValues
{
    /** @return list<Group> never empty: without a declaration it is the override's own range */
    public static function of(Override $override): array
    {
        $groups = self::grouped($override, $override->declarations);

        return count($groups) < 2 ? $groups : self::grouped($override, self::joined(array_merge(...array_map(
            static fn (array $group): array => array_map(static fn (OverrideDeclaration $d): OverrideDeclaration => $d->at($group[0]), $group[1]),
            $groups,
        ))));
    }

    /**
     * @param  list<OverrideDeclaration>  $declarations
     * @return list<Group>
     */
    private static function grouped(Override $override, array $declarations): array
    {
        $groups = [];
        foreach ($declarations as $declaration) {
            $range = $declaration->widths ?? $override->widths;
            $groups[$range->media()] ??= [$range, []];
            $groups[$range->media()][1][] = $declaration;
        }
        $groups = array_values($groups);
        usort($groups, static fn (array $a, array $b): int => $b[0]->span() <=> $a[0]->span());

        return $groups === [] ? [[$override->widths, []]] : $groups;
    }

    /**
     * @param  list<OverrideDeclaration>  $declarations  in the order in which they are written, each with its range
     * @return list<OverrideDeclaration>
     */
    private static function joined(array $declarations): array
    {
        foreach ($declarations as $i => $first) {
            foreach ($declarations as $j => $second) {
                if ($j <= $i || ! $first->enabled || ! $second->enabled || ! $first->says($second) || $first->widths === null || $second->widths === null) {
                    continue;
                }
                $both = $first->widths->joined($second->widths);
                $isInside = $first->widths->contains($second->widths);
                $between = array_slice($declarations, $i + 1, $j - $i - 1);
                $others = array_values(array_filter($declarations, static fn (OverrideDeclaration $d): bool => ! $d->says($first)));
                if ($isInside ? self::leavesAlone($first, $second->widths, $between) : ($both !== null && self::leavesAlone($first, $both, $others))) {
                    unset($declarations[$j]);
                    $declarations[$i] = $first->at($both);

                    return self::joined(array_values($declarations));
                }
            }
        }

        return $declarations;
    }

    /** @param  list<OverrideDeclaration>  $others  that none of them says anything on the same longhands in the range */
    private static function leavesAlone(OverrideDeclaration $declaration, WidthRange $range, array $others): bool
    {
        foreach ($others as $other) {
            if ($other->enabled && $other->widths?->overlaps($range) && self::meet($declaration->name, $other->name)) {
                return false;
            }
        }

        return true;
    }

    private static function meet(string $a, string $b): bool
    {
        return $a === 'all' || $b === 'all' || array_intersect(self::longhands($a), self::longhands($b)) !== [];
    }

    /** @return list<string> */
    private static function longhands(string $name): array
    {
        $name = Shorthands::alias($name);

        return Shorthands::longhands($name) ?: [$name];
    }
}
