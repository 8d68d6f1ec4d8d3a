<?php

declare(strict_types=1);

namespace Insignum\Image;

/**
 * How a background image sits in a box: Backgrounds 3, sections 3.4 (repeat), 3.6 (position) and 3.9 (size).
 *
 * Lengths are CSS pixels; positions count from the top left of the positioning area. A scale above 1 shows fewer pixels than
 * the screen has, and so looks soft: above 0.5 on a screen of two device pixels.
 */
final readonly class Fit
{
    private function __construct(
        public float $width,
        public float $height,
        public float $x,
        public float $y,
        public float $scale,
        public int $tiles,
        public float $cropped,
        public float $bare,
        private float $boxWidth,
        private float $boxHeight,
    ) {
    }

    /**
     * @param  array{float, float}  $box  width and height of the positioning area
     * @param  array{int, int}  $image  width and height of the file in pixels
     * @param  string  $size  as computed: `cover`, `contain`, or one or two of `auto`, lengths in px and percentages
     * @param  string  $position  as computed: two lengths or percentages, or calc() of a percentage and a length
     * @param  string  $repeat  as computed: one or two of `repeat`, `no-repeat`, `round` and `space`, or `repeat-x`, `repeat-y`
     * @return ?self null where the box or the image has no area, or a value is none of these
     */
    public static function of(array $box, array $image, string $size, string $position, string $repeat): ?self
    {
        [$boxWidth, $boxHeight] = $box;
        $drawn = min($boxWidth, $boxHeight, $image[0], $image[1]) > 0 ? self::size($box, $image, $size) : null;
        $places = preg_split('/\s+(?![^(]*\))/', trim($position)) ?: [];
        if ($drawn === null || count($places) !== 2) {
            return null;
        }
        [$width, $height] = $drawn;
        [$across, $down] = self::repeats($repeat);
        if ($across === 'round') {
            $times = max(1, round($boxWidth / $width));
            [$width, $height] = [$boxWidth / $times, $size === 'auto' || str_ends_with($size, ' auto') ? $height * $boxWidth / $times / $width : $height];
        }
        if ($down === 'round') {
            $height = $boxHeight / max(1, round($boxHeight / $height));
        }
        $x = self::length($places[0], $boxWidth - $width);
        $y = self::length($places[1], $boxHeight - $height);
        if ($x === null || $y === null) {
            return null;
        }
        [$countX, $seenX, $x] = self::along($across, $x, $width, $boxWidth);
        [$countY, $seenY, $y] = self::along($down, $y, $height, $boxHeight);
        $isOne = $countX * $countY <= 1;
        $seen = $seenX * $seenY;

        return new self(
            $width,
            $height,
            $x,
            $y,
            max($width / $image[0], $height / $image[1]),
            $countX * $countY,
            $isOne ? 1 - $seen / ($width * $height) : 0.0,
            max(0.0, 1 - ($isOne ? $seen : min($boxWidth, $seenX) * min($boxHeight, $seenY)) / ($boxWidth * $boxHeight)),
            $boxWidth,
            $boxHeight,
        );
    }

    /**
     * Where a point of the image ends up in the first tile.
     *
     * @param  float  $x  from 0 at the left to 1 at the right of the image
     * @param  float  $y  from 0 at the top to 1 at the bottom
     * @return array{x: float, y: float, isSeen: bool} pixels from the top left of the positioning area
     */
    public function subject(float $x, float $y): array
    {
        $at = ['x' => $this->x + $x * $this->width, 'y' => $this->y + $y * $this->height];

        return [...$at, 'isSeen' => $at['x'] >= 0 && $at['x'] <= $this->boxWidth && $at['y'] >= 0 && $at['y'] <= $this->boxHeight];
    }

    /**
     * @param  array{float, float}  $box
     * @param  array{int, int}  $image
     * @return ?array{float, float}
     */
    private static function size(array $box, array $image, string $size): ?array
    {
        [$boxWidth, $boxHeight] = $box;
        if ($size === 'cover' || $size === 'contain') {
            $ratios = [$boxWidth / $image[0], $boxHeight / $image[1]];
            $scale = $size === 'cover' ? max($ratios) : min($ratios);

            return [$image[0] * $scale, $image[1] * $scale];
        }
        $parts = preg_split('/\s+(?![^(]*\))/', trim($size)) ?: [];
        $across = $parts[0] ?? 'auto';
        $down = $parts[1] ?? 'auto';
        $width = $across === 'auto' ? null : self::length($across, $boxWidth);
        $height = $down === 'auto' ? null : self::length($down, $boxHeight);
        if (($across !== 'auto' && $width === null) || ($down !== 'auto' && $height === null)) {
            return null;
        }
        $width ??= $height === null ? (float) $image[0] : $height * $image[0] / $image[1];
        $height ??= $width * $image[1] / $image[0];

        return $width > 0 && $height > 0 ? [$width, $height] : null;
    }

    /** @return array{string, string} */
    private static function repeats(string $repeat): array
    {
        $parts = preg_split('/\s+/', trim($repeat)) ?: ['repeat'];

        return match ($parts[0]) {
            'repeat-x' => ['repeat', 'no-repeat'],
            'repeat-y' => ['no-repeat', 'repeat'],
            default => [$parts[0], $parts[1] ?? $parts[0]],
        };
    }

    /**
     * Tiles along one axis.
     *
     * @return array{int, float, float} how many are seen at least in part, how much of the box they fill, and where the first one begins
     */
    private static function along(string $repeat, float $at, float $length, float $box): array
    {
        if ($repeat === 'no-repeat' || ($repeat === 'space' && $box < 2 * $length)) {
            return [1, max(0.0, min($box, $at + $length) - max(0.0, $at)), $at];
        }
        if ($repeat === 'space') {
            $count = (int) floor($box / $length);

            return [$count, $count * $length, 0.0];
        }
        $first = $at - ceil($at / $length) * $length;
        $first = $first + $length <= 0.0 ? $first + $length : $first;

        return [(int) ceil(round(($box - $first) / $length, 6)), $box, $at];
    }

    /** A length in px, a percentage of a whole, or calc() of both; null for anything else. */
    private static function length(string $text, float $whole): ?float
    {
        if (preg_match('/\A(-?[\d.]+)(px|%)?\z/', $text, $m)) {
            return ($m[2] ?? '') === '%' ? $whole * (float) $m[1] / 100 : (float) $m[1];
        }
        if (preg_match('/\Acalc\((-?[\d.]+)% ([+-]) ([\d.]+)px\)\z/', $text, $m)) {
            return $whole * (float) $m[1] / 100 + ($m[2] === '-' ? -1 : 1) * (float) $m[3];
        }

        return null;
    }
}
