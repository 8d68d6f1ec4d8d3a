<?php

declare(strict_types=1);

namespace Insignum\Colour;

use Insignum\Value\Number;

/**
 * Between colour spaces, by way of XYZ with D65 white: CSS Color 4, section 18, matrices and transfer functions.
 *
 * The RGB spaces' matrices are those of ICC profiles, with D50 white, adapted by Bradford's method: browsers take them so,
 * and differ from the standard's in the sixth digit.
 *
 * @phpstan-type Triple array{float, float, float}
 */
final class Conversion
{
    private const SRGB_TO_XYZ = [[0.4124258767153, 0.3576280210167, 0.1804516100994], [0.212647697006, 0.71514256916, 0.07217464630741], [0.01931731343099, 0.1191749419076, 0.9504053047187]];

    private const XYZ_TO_SRGB = [[3.240808936514, -1.537578883931, -0.4985609572552], [-0.9692732213205, 1.876110235239, 0.04156050114125], [0.05567030990267, -0.2040007921972, 1.057104672058]];

    private const P3_TO_XYZ = [[0.4865708154917, 0.2656679324038, 0.1982172202457], [0.2289747140268, 0.6917381912093, 0.07928696633832], [-5.874188500855e-09, 0.04511347246486, 1.043944877615]];

    private const XYZ_TO_P3 = [[2.493498817089, -0.9313856166643, -0.402710596304], [-0.8294905556279, 1.762665794556, 0.02362470391567], [0.03584596734068, -0.07617258531911, 0.9568840526206]];

    private const A98_TO_XYZ = [[0.5766855514491, 0.1855726608816, 0.1881692079503], [0.2973503225234, 0.6273635340244, 0.07528008317487], [0.02702612145503, 0.07066912860818, 0.99096339181]];

    private const XYZ_TO_A98 = [[2.041556535393, -0.5650549822379, -0.3447359337517], [-0.9692456857281, 1.875994334694, 0.04153249633792], [0.01344186197482, -0.1183733337654, 1.015559018837]];

    private const REC2020_TO_XYZ = [[0.6369581269834, 0.1446170502892, 0.1688807691515], [0.2626998997729, 0.6779981189205, 0.059301743896], [3.651188190332e-09, 0.02807273345029, 1.06098510368]];

    private const XYZ_TO_REC2020 = [[1.716650923498, -0.3556710758991, -0.2533658694531], [-0.6666834123552, 1.616481079491, 0.01576823313758], [0.01763985130238, -0.04277066757673, 0.9421030889614]];

    private const PROPHOTO_TO_XYZ50 = [[0.79776664490064230, 0.13518129740053308, 0.03134773412839220], [0.28807482881940130, 0.71183523424187300, 0.00008993693872564], [0.0, 0.0, 0.82510460251046020]];

    private const XYZ50_TO_PROPHOTO = [[1.34578688164715830, -0.25557208737979464, -0.05110186497554526], [-0.54463070512490190, 1.50824774284514680, 0.02052744743642139], [0.0, 0.0, 1.21196754563894520]];

    private const D65_TO_D50 = [[1.047857318912, 0.02290737449183, -0.05016224737715], [0.0295705000505, 0.9904755577034, -0.01706151819484], [-0.009240471975589, 0.01505292152698, 0.7519708530778]];

    private const D50_TO_D65 = [[0.9555366447633, -0.02306009252138, 0.06321844147263], [-0.02831537822876, 1.009951351592, 0.02102600159179], [0.01230877329378, -0.02050053471777, 1.330194729478]];

    private const XYZ_TO_LMS = [[0.8190224379967030, 0.3619062600528904, -0.1288737815209879], [0.0329836539323885, 0.9292868615863434, 0.0361446663506424], [0.0481771893596242, 0.2642395317527308, 0.6335478284694309]];

    private const LMS_TO_XYZ = [[1.2268798758459243, -0.5578149944602171, 0.2813910456659647], [-0.0405757452148008, 1.1122868032803170, -0.0717110580655164], [-0.0763729366746601, -0.4214933324022432, 1.5869240198367816]];

    private const LMS_TO_OKLAB = [[0.2104542683093140, 0.7936177747023054, -0.0040720430116193], [1.9779985324311684, -2.4285922420485799, 0.4505937096174110], [0.0259040424655478, 0.7827717124575296, -0.8086757549230774]];

    private const OKLAB_TO_LMS = [[1.0, 0.3963377773761749, 0.2158037573099136], [1.0, -0.1055613458156586, -0.0638541728258133], [1.0, -0.0894841775298119, -1.2914855480194092]];

    private const D50 = [0.9642, 1.0, 0.8251];

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
        $angle = Number::single(deg2rad(Number::single($c[2])));

        return [$c[0], $c[1] * cos($angle), $c[1] * sin($angle)];
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
            $k = Number::single(fmod(Number::single($n + Number::single($hue / 30)), 12));

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
