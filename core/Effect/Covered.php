<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\ColourSyntax;
use Insignum\Style\PageStyles;

/** How much of an element's background is hidden by what is in it: from boxes that a browser measured, and from computed styles. */
final readonly class Covered
{
    /** The box is looked at in so many rows and columns. */
    private const GRID = 48;

    private const PICTURES = ['img' => 1, 'video' => 1, 'iframe' => 1, 'canvas' => 1, 'picture' => 1, 'object' => 1, 'embed' => 1];

    /**
     * @param  float  $share  from 0 to 1
     * @param  array<int, float>  $by  the share that each element in it hides, the largest first
     */
    private function __construct(public float $share, public array $by)
    {
    }

    /**
     * @param  array{float, float, float, float}  $box  left, top, width and height of the element
     * @param  array<int, array{float, float, float, float}>  $boxes  of the elements in it, in document order: later ones are painted over earlier ones
     */
    public static function of(PageStyles $styles, array $box, array $boxes): self
    {
        [$left, $top, $width, $height] = $box;
        if ($width <= 0 || $height <= 0) {
            return new self(0.0, []);
        }
        $cells = [];
        foreach ($boxes as $element => [$x, $y, $w, $h]) {
            if (! self::hides($styles, $element)) {
                continue;
            }
            // A cell is hidden where its middle is.
            $columns = self::cells(($x - $left) / $width, ($x + $w - $left) / $width);
            foreach (self::cells(($y - $top) / $height, ($y + $h - $top) / $height) as $row) {
                foreach ($columns as $column) {
                    $cells[$row * self::GRID + $column] = $element;
                }
            }
        }
        $by = array_map(static fn (int $n): float => $n / self::GRID ** 2, array_count_values($cells));
        arsort($by);

        return new self(count($cells) / self::GRID ** 2, $by);
    }

    /** @return list<int> */
    private static function cells(float $from, float $to): array
    {
        $first = max(0, (int) ceil($from * self::GRID - 0.5));
        $last = min(self::GRID - 1, (int) ceil($to * self::GRID - 0.5) - 1);

        return $last < $first ? [] : range($first, $last);
    }

    private static function hides(PageStyles $styles, int $element): bool
    {
        $style = $styles->style($element);
        if (($style->value('visibility') ?? '') !== 'visible' || (float) ($style->value('opacity') ?? 1) < 0.98) {
            return false;
        }
        $colour = ColourSyntax::fixed($style->value('background-color') ?? '');

        return isset(self::PICTURES[$styles->page->tags[$element]])
            || ($colour !== null && $colour->opacity() >= 0.98)
            || (str_contains($style->value('background-image') ?? '', 'url(') && in_array($style->value('background-size'), ['cover', '100% 100%'], true));
    }
}
