<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** WCAG 2.2 contrast: success criterion 1.4.3 and its definitions. */
final class Contrast
{
    /** What normal text needs at level AA. */
    public const NORMAL = 4.5;

    /** What large text needs: 24px, or 18.66px in bold. */
    public const LARGE = 3.0;

    /** From 1 to 21; translucent text is laid over the background first. The background must be opaque. */
    public static function ratio(Colour $text, Colour $behind): float
    {
        $one = self::luminance($text->over($behind));
        $two = self::luminance($behind);

        return (max($one, $two) + 0.05) / (min($one, $two) + 0.05);
    }

    /** Relative luminance from 0 to 1, of the colour as a screen shows it (8 bits a channel). */
    public static function luminance(Colour $colour): float
    {
        [$r, $g, $b] = array_map(static fn (int $byte): float => Conversion::srgbToLinear($byte / 255), $colour->bytes());

        return 0.2126 * $r + 0.7152 * $g + 0.0722 * $b;
    }

    /** The ratio that text of this size must reach. */
    public static function needed(float $fontSize, int $fontWeight): float
    {
        return $fontSize >= 24 || ($fontSize >= 18.66 && $fontWeight >= 700) ? self::LARGE : self::NORMAL;
    }

    /**
     * The colour nearest to $text, by OKLCH lightness with hue kept and chroma reduced only into gamut, that reaches the
     * ratio on every one of the backgrounds; null where no lightness does.
     *
     * @param  non-empty-list<Colour>  $behind
     */
    public static function nearestPassing(Colour $text, array $behind, float $needed): ?Colour
    {
        $passes = static function (Colour $colour) use ($behind, $needed): bool {
            foreach ($behind as $background) {
                if (self::ratio($colour, $background) < $needed) {
                    return false;
                }
            }

            return true;
        };
        [$lightness, $chroma, $hue] = $text->over($behind[0])->in(Space::Oklch);
        $at = static fn (float $l): Colour => Gamut::fit(new Colour(Space::Oklch, [$l, $chroma, $hue]));
        if ($passes($at($lightness))) {
            return $at($lightness);
        }
        $best = null;
        foreach ([0.0, 1.0] as $end) {
            if (! $passes($at($end))) {
                continue;
            }
            // Between here, which fails, and the end, which passes, contrast only grows.
            [$fails, $passing] = [$lightness, $end];
            for ($step = 0; $step < 9; $step++) {
                $middle = ($fails + $passing) / 2;
                [$fails, $passing] = $passes($at($middle)) ? [$fails, $middle] : [$middle, $passing];
            }
            if ($best === null || abs($passing - $lightness) < abs($best - $lightness)) {
                $best = $passing;
            }
        }

        return $best === null ? null : $at($best);
    }
}
