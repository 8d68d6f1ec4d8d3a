<?php

declare(strict_types=1);

namespace Insignum\Page;

/**
 * By what an element is known again in a later state of its page: tag, id, classes, the beginning of its text, and what it is
 * in. Written as one line, so that it can be kept beside its path.
 */
final class Fingerprint
{
    private const SEPARATOR = '|';

    /** How much of the likeness each field makes up, in the order in which they are written. */
    private const WEIGHTS = [3.0, 3.0, 2.5, 3.0, 1.5];

    /** From so much of the whole likeness on, it is the same element. */
    private const ENOUGH = 0.6;

    public static function of(Page $page, int $element): string
    {
        $parent = $page->parents[$element];
        $name = static fn (int $e): string => $page->tags[$e].implode('', array_map(static fn (string $c): string => ".$c", $page->classes[$e]));

        return implode(self::SEPARATOR, array_map(static fn (string $field): string => str_replace(self::SEPARATOR, '', $field), [
            $page->tags[$element],
            (string) $page->attribute($element, 'id'),
            implode(' ', $page->classes[$element]),
            $page->excerpt($element, 48),
            $parent < 0 ? '' : $name($parent),
        ]));
    }

    /**
     * The element that a print was taken of: at its path if it still looks so, or else the one that is most like it. Null
     * where none is like enough, or two are equally so and neither is at the path.
     */
    public static function find(Page $page, string $path, string $print): ?int
    {
        $there = $page->at($path);
        if ($there !== null && ($print === '' || self::of($page, $there) === $print)) {
            return $there;
        }
        if ($print === '') {
            return null;
        }
        $wanted = array_pad(explode(self::SEPARATOR, $print), 5, '');
        $best = null;
        $most = self::ENOUGH;
        $isTied = false;
        foreach ($page->byTag[$wanted[0]] ?? [] as $element) {
            $likeness = self::likeness($wanted, explode(self::SEPARATOR, self::of($page, $element))) + ($element === $there ? 0.01 : 0.0);
            if ($likeness > $most) {
                [$best, $most, $isTied] = [$element, $likeness, false];
            } elseif ($likeness === $most && $best !== null) {
                $isTied = true;
            }
        }

        return $isTied ? null : $best;
    }

    /**
     * From 0 to 1; fields that both leave empty say nothing.
     *
     * @param  list<string>  $one
     * @param  list<string>  $two
     */
    private static function likeness(array $one, array $two): float
    {
        $sum = $all = 0.0;
        foreach (self::WEIGHTS as $i => $weight) {
            if ($one[$i] === '' && $two[$i] === '') {
                continue;
            }
            $all += $weight;
            $sum += $weight * match ($i) {
                2, 4 => self::shared(preg_split('/[ .]/', $one[$i]) ?: [], preg_split('/[ .]/', $two[$i]) ?: []),
                3 => self::alike($one[$i], $two[$i]),
                default => $one[$i] === $two[$i] ? 1.0 : 0.0,
            };
        }

        return $all > 0.0 ? $sum / $all : 0.0;
    }

    /**
     * @param  list<string>  $one
     * @param  list<string>  $two
     */
    private static function shared(array $one, array $two): float
    {
        return count(array_intersect($one, $two)) / max(1, count(array_unique([...$one, ...$two])));
    }

    private static function alike(string $one, string $two): float
    {
        similar_text($one, $two, $percent);

        return $percent / 100;
    }
}
