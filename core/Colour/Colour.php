<?php

declare(strict_types=1);

namespace Insignum\Colour;

use Insignum\Value\Number;

/**
 * A colour in one space. Components are in that space's own units (RGB, saturation and OK lightness from 0 to 1, Lab
 * lightness from 0 to 100, hues in degrees); null stands for `none`. `legacy` colours are written as rgb() or rgba().
 */
final readonly class Colour
{
    /** @param  array{?float, ?float, ?float}  $components */
    public function __construct(
        public Space $space,
        public array $components,
        public ?float $alpha = 1.0,
        public bool $legacy = false,
    ) {
    }

    /** Channels from 0 to 255. */
    public static function rgb(float $red, float $green, float $blue, float $alpha = 1.0): self
    {
        return new self(Space::Srgb, [$red / 255, $green / 255, $blue / 255], $alpha, true);
    }

    public static function black(): self
    {
        return self::rgb(0, 0, 0);
    }

    public static function white(): self
    {
        return self::rgb(255, 255, 255);
    }

    public static function transparent(): self
    {
        return self::rgb(0, 0, 0, 0);
    }

    public function opacity(): float
    {
        return $this->alpha ?? 0.0;
    }

    public function withOpacity(float $alpha): self
    {
        return new self($this->space, $this->components, $alpha, $this->legacy);
    }

    /** @return array{float, float, float} components in the given space, `none` as 0 */
    public function in(Space $space): array
    {
        return Conversion::convert(array_map(static fn (?float $c): float => $c ?? 0.0, $this->components), $this->space, $space);
    }

    public function to(Space $space): self
    {
        return new self($space, $this->in($space), $this->alpha);
    }

    /** @return array{int, int, int} sRGB channels from 0 to 255, out-of-gamut ones clipped */
    public function bytes(): array
    {
        return array_map(static fn (float $v): int => (int) max(0, min(255, round($v * 255))), $this->in(Space::Srgb));
    }

    /** `#rrggbb`, alpha left aside. */
    public function hex(): string
    {
        return sprintf('#%02x%02x%02x', ...$this->bytes());
    }

    /** How far apart two colours look: Color 4, 19.1, ΔEOK; a difference of opacity counts as well. */
    public function distance(self $other): float
    {
        [$one, $two] = [$this->in(Space::Oklab), $other->in(Space::Oklab)];

        return sqrt(($one[0] - $two[0]) ** 2 + ($one[1] - $two[1]) ** 2 + ($one[2] - $two[2]) ** 2 + (($this->opacity() - $other->opacity()) / 2) ** 2);
    }

    /** This colour laid over an opaque one: simple alpha compositing in sRGB. */
    public function over(self $behind): self
    {
        $alpha = $this->opacity();
        if ($alpha >= 1) {
            return $this;
        }
        $top = $this->in(Space::Srgb);
        $below = $behind->in(Space::Srgb);
        $mix = static fn (int $i): float => 255 * ($top[$i] * $alpha + $below[$i] * (1 - $alpha));

        return self::rgb($mix(0), $mix(1), $mix(2));
    }

    /** CSSOM serialisation of a resolved colour, Color 4, section 15. */
    public function __toString(): string
    {
        return $this->legacy ? $this->legacyText() : $this->modernText();
    }

    private function legacyText(): string
    {
        [$r, $g, $b] = $this->bytes();
        $alpha = max(0.0, min(1.0, $this->opacity()));

        return $alpha >= 1.0 ? "rgb($r, $g, $b)" : "rgba($r, $g, $b, ".self::legacyAlpha($alpha).')';
    }

    /** Two decimals where they round-trip through a byte, else three: Color 4, 15.1. */
    private static function legacyAlpha(float $alpha): string
    {
        $byte = (int) round($alpha * 255);
        $two = round($byte / 255, 2);

        return Number::format((int) round($two * 255) === $byte ? $two : round($byte / 255, 3));
    }

    private function modernText(): string
    {
        $write = static fn (?float $v): string => $v === null ? 'none' : Number::plain($v);
        $parts = implode(' ', array_map($write, $this->components));
        $alpha = $this->alpha === 1.0 ? '' : ' / '.$write($this->alpha);

        return in_array($this->space, [Space::Lab, Space::Lch, Space::Oklab, Space::Oklch], true)
            ? "{$this->space->value}($parts$alpha)"
            : "color({$this->space->value} $parts$alpha)";
    }
}
