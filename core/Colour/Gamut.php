<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** Into what an sRGB screen can show, by less chroma at the same lightness and hue: Color 4, section 14.2, simplified. */
final class Gamut
{
    public static function fit(Colour $colour): Colour
    {
        [$lightness, $chroma, $hue] = $colour->in(Space::Oklch);
        if (! self::holds($lightness, $chroma, $hue)) {
            $low = 0.0;
            $high = $chroma;
            for ($i = 0; $i < 16; $i++) {
                $middle = ($low + $high) / 2;
                [$low, $high] = self::holds($lightness, $middle, $hue) ? [$middle, $high] : [$low, $middle];
            }
            $chroma = $low;
        }
        [$r, $g, $b] = (new Colour(Space::Oklch, [$lightness, $chroma, $hue]))->bytes();

        return Colour::rgb($r, $g, $b, $colour->opacity());
    }

    private static function holds(float $lightness, float $chroma, float $hue): bool
    {
        foreach ((new Colour(Space::Oklch, [$lightness, $chroma, $hue]))->in(Space::Srgb) as $channel) {
            if ($channel < -0.0005 || $channel > 1.0005) {
                return false;
            }
        }

        return true;
    }
}
