<?php

declare(strict_types=1);

namespace Insignum\Colour;

/**
 * Between colour spaces, by way of XYZ with D65 white: CSS Color 4, section 18, matrices and transfer functions.
 *
 * @phpstan-type Triple array{float, float, float}
 */
final class Conversion
{
    private const SRGB_TO_XYZ = [[506752 / 1228815, 87881 / 245763, 12673 / 70218], [87098 / 409605, 175762 / 245763, 12673 / 175545], [7918 / 409605, 87881 / 737289, 1001167 / 1053270]];

    private const XYZ_TO_SRGB = [[12831 / 3959, -329 / 214, -1974 / 3959], [-851781 / 878810, 1648619 / 878810, 36519 / 878810], [705 / 12673, -2585 / 12673, 705 / 667]];

    private const P3_TO_XYZ = [[608311 / 1250200, 189793 / 714400, 198249 / 1000160], [35783 / 156275, 247089 / 357200, 198249 / 2500400], [0 / 1, 32229 / 714400, 5220557 / 5000800]];

    private const XYZ_TO_P3 = [[446124 / 178915, -333277 / 357830, -72051 / 178915], [-14852 / 17905, 63121 / 35810, 423 / 17905], [11844 / 330415, -50337 / 660830, 316169 / 330415]];

    private const A98_TO_XYZ = [[573536 / 994567, 263643 / 1420810, 187206 / 994567], [591459 / 1989134, 6239551 / 9945670, 374412 / 4972835], [53769 / 1989134, 351524 / 4972835, 4929758 / 4972835]];

    private const XYZ_TO_A98 = [[1829569 / 896150, -506331 / 896150, -308931 / 896150], [-851781 / 878810, 1648619 / 878810, 36519 / 878810], [16779 / 1248040, -147721 / 1248040, 1266979 / 1248040]];

    private const REC2020_TO_XYZ = [[63426534 / 99577255, 20160776 / 139408157, 47086771 / 278816314], [26158966 / 99577255, 472592308 / 697040785, 8267143 / 139408157], [0 / 1, 19567812 / 697040785, 295819943 / 278816314]];

    private const XYZ_TO_REC2020 = [[30757411 / 17917100, -6372589 / 17917100, -4539589 / 17917100], [-19765991 / 29648200, 47925759 / 29648200, 467509 / 29648200], [792561 / 44930125, -1921689 / 44930125, 42328811 / 44930125]];

    private const PROPHOTO_TO_XYZ50 = [[0.79776664490064230, 0.13518129740053308, 0.03134773412839220], [0.28807482881940130, 0.71183523424187300, 0.00008993693872564], [0.0, 0.0, 0.82510460251046020]];

    private const XYZ50_TO_PROPHOTO = [[1.34578688164715830, -0.25557208737979464, -0.05110186497554526], [-0.54463070512490190, 1.50824774284514680, 0.02052744743642139], [0.0, 0.0, 1.21196754563894520]];

    private const D65_TO_D50 = [[1.0479297925449969, 0.022946870601609652, -0.05019226628920524], [0.02962780877005599, 0.9904344267538799, -0.017073799063418826], [-0.009243040646204504, 0.015055191490298152, 0.7518742814281371]];

    private const D50_TO_D65 = [[0.955473421488075, -0.02309845494876471, 0.06325924320057072], [-0.0283697093338637, 1.0099953980813041, 0.021041441191917323], [0.012314014864481998, -0.020507649298898964, 1.330365926242124]];

    private const XYZ_TO_LMS = [[0.8190224379967030, 0.3619062600528904, -0.1288737815209879], [0.0329836539323885, 0.9292868615863434, 0.0361446663506424], [0.0481771893596242, 0.2642395317527308, 0.6335478284694309]];

    private const LMS_TO_XYZ = [[1.2268798758459243, -0.5578149944602171, 0.2813910456659647], [-0.0405757452148008, 1.1122868032803170, -0.0717110580655164], [-0.0763729366746601, -0.4214933324022432, 1.5869240198367816]];

    private const LMS_TO_OKLAB = [[0.2104542683093140, 0.7936177747023054, -0.0040720430116193], [1.9779985324311684, -2.4285922420485799, 0.4505937096174110], [0.0259040424655478, 0.7827717124575296, -0.8086757549230774]];

    private const OKLAB_TO_LMS = [[1.0, 0.3963377773761749, 0.2158037573099136], [1.0, -0.1055613458156586, -0.0638541728258133], [1.0, -0.0894841775298119, -1.2914855480194092]];

    private const D50 = [0.3457 / 0.3585, 1.0, (1.0 - 0.3457 - 0.3585) / 0.3585];

    /**
     * @param  Triple  $c
     * @return Triple
     */
    public static function convert(array $c, Space $from, Space $to): array
    {
        if ($from === $to) {
            return $c;
        }
        $direct = match ([$from, $to]) {
            [Space::Hsl, Space::Srgb] => self::hslToRgb($c),
            [Space::Hwb, Space::Srgb] => self::hwbToRgb($c),
            [Space::Srgb, Space::Hsl] => self::rgbToHsl($c),
            [Space::Srgb, Space::Hwb] => self::rgbToHwb($c),
            [Space::Lab, Space::Lch], [Space::Oklab, Space::Oklch] => self::polar($c),
            [Space::Lch, Space::Lab], [Space::Oklch, Space::Oklab] => self::rectangular($c),
            default => null,
        };

        return $direct ?? self::fromXyz(self::toXyz($c, $from), $to);
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function toXyz(array $c, Space $from): array
    {
        return match ($from) {
            Space::Srgb => self::multiply(self::SRGB_TO_XYZ, array_map(self::srgbToLinear(...), $c)),
            Space::SrgbLinear => self::multiply(self::SRGB_TO_XYZ, $c),
            Space::DisplayP3 => self::multiply(self::P3_TO_XYZ, array_map(self::srgbToLinear(...), $c)),
            Space::DisplayP3Linear => self::multiply(self::P3_TO_XYZ, $c),
            Space::A98 => self::multiply(self::A98_TO_XYZ, array_map(static fn (float $v): float => self::signedPower($v, 563 / 256), $c)),
            Space::ProPhoto => self::multiply(self::D50_TO_D65, self::multiply(self::PROPHOTO_TO_XYZ50, array_map(static fn (float $v): float => abs($v) <= 16 / 512 ? $v / 16 : self::signedPower($v, 1.8), $c))),
            Space::Rec2020 => self::multiply(self::REC2020_TO_XYZ, array_map(self::rec2020ToLinear(...), $c)),
            Space::XyzD50 => self::multiply(self::D50_TO_D65, $c),
            Space::XyzD65 => $c,
            Space::Lab => self::multiply(self::D50_TO_D65, self::labToXyz50($c)),
            Space::Lch => self::toXyz(self::rectangular($c), Space::Lab),
            Space::Oklab => self::multiply(self::LMS_TO_XYZ, array_map(static fn (float $v): float => $v ** 3, self::multiply(self::OKLAB_TO_LMS, $c))),
            Space::Oklch => self::toXyz(self::rectangular($c), Space::Oklab),
            Space::Hsl => self::toXyz(self::hslToRgb($c), Space::Srgb),
            Space::Hwb => self::toXyz(self::hwbToRgb($c), Space::Srgb),
        };
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function fromXyz(array $c, Space $to): array
    {
        return match ($to) {
            Space::Srgb => array_map(self::linearToSrgb(...), self::multiply(self::XYZ_TO_SRGB, $c)),
            Space::SrgbLinear => self::multiply(self::XYZ_TO_SRGB, $c),
            Space::DisplayP3 => array_map(self::linearToSrgb(...), self::multiply(self::XYZ_TO_P3, $c)),
            Space::DisplayP3Linear => self::multiply(self::XYZ_TO_P3, $c),
            Space::A98 => array_map(static fn (float $v): float => self::signedPower($v, 256 / 563), self::multiply(self::XYZ_TO_A98, $c)),
            Space::ProPhoto => array_map(static fn (float $v): float => abs($v) >= 1 / 512 ? self::signedPower($v, 1 / 1.8) : 16 * $v, self::multiply(self::XYZ50_TO_PROPHOTO, self::multiply(self::D65_TO_D50, $c))),
            Space::Rec2020 => array_map(self::linearToRec2020(...), self::multiply(self::XYZ_TO_REC2020, $c)),
            Space::XyzD50 => self::multiply(self::D65_TO_D50, $c),
            Space::XyzD65 => $c,
            Space::Lab => self::xyz50ToLab(self::multiply(self::D65_TO_D50, $c)),
            Space::Lch => self::polar(self::fromXyz($c, Space::Lab)),
            Space::Oklab => self::multiply(self::LMS_TO_OKLAB, array_map(static fn (float $v): float => self::signedPower($v, 1 / 3), self::multiply(self::XYZ_TO_LMS, $c))),
            Space::Oklch => self::polar(self::fromXyz($c, Space::Oklab)),
            Space::Hsl => self::rgbToHsl(self::fromXyz($c, Space::Srgb)),
            Space::Hwb => self::rgbToHwb(self::fromXyz($c, Space::Srgb)),
        };
    }

    public static function srgbToLinear(float $v): float
    {
        return abs($v) <= 0.04045 ? $v / 12.92 : ($v < 0 ? -1 : 1) * ((abs($v) + 0.055) / 1.055) ** 2.4;
    }

    private static function linearToSrgb(float $v): float
    {
        return abs($v) > 0.0031308 ? ($v < 0 ? -1 : 1) * (1.055 * abs($v) ** (1 / 2.4) - 0.055) : 12.92 * $v;
    }

    private static function rec2020ToLinear(float $v): float
    {
        return abs($v) < 0.08124285829863151 ? $v / 4.5 : ($v < 0 ? -1 : 1) * ((abs($v) + 0.09929682680944) / 1.09929682680944) ** (1 / 0.45);
    }

    private static function linearToRec2020(float $v): float
    {
        return abs($v) > 0.018053968510807 ? ($v < 0 ? -1 : 1) * (1.09929682680944 * abs($v) ** 0.45 - 0.09929682680944) : 4.5 * $v;
    }

    private static function signedPower(float $v, float $power): float
    {
        return ($v < 0 ? -1 : 1) * abs($v) ** $power;
    }

    /**
     * @param  list<list<float|int>>  $m
     * @param  array<int, float>  $v
     * @return Triple
     */
    private static function multiply(array $m, array $v): array
    {
        return [
            $m[0][0] * $v[0] + $m[0][1] * $v[1] + $m[0][2] * $v[2],
            $m[1][0] * $v[0] + $m[1][1] * $v[1] + $m[1][2] * $v[2],
            $m[2][0] * $v[0] + $m[2][1] * $v[1] + $m[2][2] * $v[2],
        ];
    }

    /**
     * @param  Triple  $lab
     * @return Triple
     */
    private static function labToXyz50(array $lab): array
    {
        $kappa = 24389 / 27;
        $y = ($lab[0] + 16) / 116;
        $x = $lab[1] / 500 + $y;
        $z = $y - $lab[2] / 200;
        $inverse = static fn (float $f): float => $f ** 3 > 216 / 24389 ? $f ** 3 : (116 * $f - 16) / $kappa;

        return [$inverse($x) * self::D50[0], $lab[0] > $kappa * 216 / 24389 ? $y ** 3 : $lab[0] / $kappa, $inverse($z) * self::D50[2]];
    }

    /**
     * @param  Triple  $xyz
     * @return Triple
     */
    private static function xyz50ToLab(array $xyz): array
    {
        $f = static fn (float $v): float => $v > 216 / 24389 ? $v ** (1 / 3) : (24389 / 27 * $v + 16) / 116;
        [$x, $y, $z] = [$f($xyz[0] / self::D50[0]), $f($xyz[1]), $f($xyz[2] / self::D50[2])];

        return [116 * $y - 16, 500 * ($x - $y), 200 * ($y - $z)];
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function polar(array $c): array
    {
        $hue = rad2deg(atan2($c[2], $c[1]));

        return [$c[0], sqrt($c[1] ** 2 + $c[2] ** 2), $hue < 0 ? $hue + 360 : $hue];
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function rectangular(array $c): array
    {
        return [$c[0], $c[1] * cos(deg2rad($c[2])), $c[1] * sin(deg2rad($c[2]))];
    }

    /**
     * Saturation and lightness from 0 to 1.
     *
     * @param  Triple  $c
     * @return Triple
     */
    private static function hslToRgb(array $c): array
    {
        $hue = fmod(fmod($c[0], 360) + 360, 360);
        $channel = static function (float $n) use ($hue, $c): float {
            $k = fmod($n + $hue / 30, 12);

            return $c[2] - $c[1] * min($c[2], 1 - $c[2]) * max(-1, min($k - 3, 9 - $k, 1));
        };

        return [$channel(0), $channel(8), $channel(4)];
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function hwbToRgb(array $c): array
    {
        if ($c[1] + $c[2] >= 1) {
            $grey = $c[1] / ($c[1] + $c[2]);

            return [$grey, $grey, $grey];
        }
        [$r, $g, $b] = self::hslToRgb([$c[0], 1.0, 0.5]);
        $scale = 1 - $c[1] - $c[2];

        return [$r * $scale + $c[1], $g * $scale + $c[1], $b * $scale + $c[1]];
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function rgbToHsl(array $c): array
    {
        [$r, $g, $b] = $c;
        $max = max($c);
        $min = min($c);
        $light = ($min + $max) / 2;
        $delta = $max - $min;
        if ($delta == 0.0) {
            return [0.0, 0.0, $light];
        }
        $saturation = $light == 0.0 || $light == 1.0 ? 0.0 : ($max - $light) / min($light, 1 - $light);
        $hue = 60 * match ($max) {
            $r => ($g - $b) / $delta + ($g < $b ? 6 : 0),
            $g => ($b - $r) / $delta + 2,
            default => ($r - $g) / $delta + 4,
        };
        if ($saturation < 0) {
            return [fmod($hue + 180, 360), -$saturation, $light];
        }

        return [fmod($hue, 360), $saturation, $light];
    }

    /**
     * @param  Triple  $c
     * @return Triple
     */
    private static function rgbToHwb(array $c): array
    {
        return [self::rgbToHsl($c)[0], min($c), 1 - max($c)];
    }
}
