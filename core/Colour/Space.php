<?php

declare(strict_types=1);

namespace Insignum\Colour;

/** The colour spaces of CSS Color 4. */
enum Space: string
{
    case Srgb = 'srgb';
    case SrgbLinear = 'srgb-linear';
    case DisplayP3 = 'display-p3';
    case DisplayP3Linear = 'display-p3-linear';
    case A98 = 'a98-rgb';
    case ProPhoto = 'prophoto-rgb';
    case Rec2020 = 'rec2020';
    case XyzD50 = 'xyz-d50';
    case XyzD65 = 'xyz-d65';
    case Lab = 'lab';
    case Lch = 'lch';
    case Oklab = 'oklab';
    case Oklch = 'oklch';
    case Hsl = 'hsl';
    case Hwb = 'hwb';

    public static function named(string $name): ?self
    {
        return self::tryFrom($name === 'xyz' ? 'xyz-d65' : $name);
    }

    /** Which component is the hue, if one is. */
    public function hue(): ?int
    {
        return match ($this) {
            self::Hsl, self::Hwb => 0,
            self::Lch, self::Oklch => 2,
            default => null,
        };
    }

    /**
     * Which components play the same part in different spaces (Color 4, 12.2), for carrying `none` over.
     *
     * @return array{string, string, string}
     */
    public function parts(): array
    {
        return match ($this) {
            self::Lab, self::Oklab => ['L', 'a', 'b'],
            self::Lch, self::Oklch => ['L', 'C', 'h'],
            self::Hsl => ['h', 'C', 'L'],
            self::Hwb => ['h', 'w', 'k'],
            default => ['r', 'g', 'b'],
        };
    }

    /** @return array{string, string, string} the channel names of relative colours, Color 5, 4.1 */
    public function channels(): array
    {
        return match ($this) {
            self::Lab, self::Oklab => ['l', 'a', 'b'],
            self::Lch, self::Oklch => ['l', 'c', 'h'],
            self::Hsl => ['h', 's', 'l'],
            self::Hwb => ['h', 'w', 'b'],
            self::XyzD50, self::XyzD65 => ['x', 'y', 'z'],
            default => ['r', 'g', 'b'],
        };
    }
}
