<?php

declare(strict_types=1);

namespace Insignum\Colour;

use Insignum\Value\Number;

/** `color-mix()`, Color 5, section 3: interpolation with premultiplied alpha in one space. */
final readonly class MixedColour implements ColourValue
{
    /**
     * @param  float  $share  of the second colour, 0 to 1
     * @param  float  $strength  what alpha is multiplied with where the percentages add up to less than 100 %
     */
    public function __construct(
        private Space $space,
        private string $hueMethod,
        private ColourValue $first,
        private ColourValue $second,
        private float $share,
        private float $strength,
    ) {
    }

    public function resolve(Colour $current, bool $dark): Colour
    {
        $one = $this->prepared($this->first->resolve($current, $dark));
        $two = $this->prepared($this->second->resolve($current, $dark));
        $alphaOne = $one->alpha ?? $two->alpha ?? 0.0;
        $alphaTwo = $two->alpha ?? $one->alpha ?? 0.0;
        $alpha = $this->blend($alphaOne, $alphaTwo);
        $components = [];
        foreach ([0, 1, 2] as $i) {
            $a = $one->components[$i] ?? $two->components[$i];
            $b = $two->components[$i] ?? $one->components[$i];
            $components[] = match (true) {
                $a === null || $b === null => null,
                $i === $this->space->hue() => $this->hue($a, $b),
                $alpha == 0.0 => $this->blend($a, $b),
                default => Number::single($this->blend($a * $alphaOne, $b * $alphaTwo) / $alpha),
            };
        }
        $mixed = new Colour($this->space, $components, $alpha * $this->strength);

        return in_array($this->space, [Space::Hsl, Space::Hwb], true) ? $mixed->to(Space::Srgb) : $mixed;
    }

    /** In single precision, as browsers do, so that the last digit shown is theirs. */
    private function blend(float $a, float $b): float
    {
        $share = Number::single($this->share);

        return Number::single(Number::single(Number::single($a) * Number::single(1 - $share)) + Number::single(Number::single($b) * $share));
    }

    public function isFixed(): bool
    {
        return $this->first->isFixed() && $this->second->isFixed();
    }

    /** In the mixing space; a grey has no hue there, and `none` is carried over to the like component. */
    private function prepared(Colour $colour): Colour
    {
        if ($colour->space === $this->space) {
            return $colour;
        }
        $components = $colour->in($this->space);
        $from = $colour->space->parts();
        foreach ($this->space->parts() as $i => $part) {
            $same = array_search($part, $from, true);
            if ($same !== false && $colour->components[$same] === null) {
                $components = array_replace($components, [$i => null]);
            }
        }
        $hue = $this->space->hue();
        $chroma = match ($this->space) {
            Space::Hsl => $components[1],
            Space::Hwb => 1 - (($components[1] ?? 0) + ($components[2] ?? 0)),
            Space::Lch => ($components[1] ?? 0) / 300,
            default => $components[1],
        };
        if ($hue !== null && abs($chroma ?? 0.0) < 0.0001) {
            $components = array_replace($components, [$hue => null]);
        }

        return new Colour($this->space, [$components[0], $components[1], $components[2]], $colour->alpha);
    }

    /** Color 4, 12.4. */
    private function hue(float $a, float $b): float
    {
        $a = fmod(fmod($a, 360) + 360, 360);
        $b = fmod(fmod($b, 360) + 360, 360);
        $difference = $b - $a;
        [$a, $b] = match (true) {
            $this->hueMethod === 'longer' && $difference > 0 && $difference < 180 => [$a + 360, $b],
            $this->hueMethod === 'longer' && $difference > -180 && $difference <= 0 => [$a, $b + 360],
            $this->hueMethod === 'increasing' && $difference < 0 => [$a, $b + 360],
            $this->hueMethod === 'decreasing' && $difference > 0 => [$a + 360, $b],
            $this->hueMethod === 'shorter' && $difference > 180 => [$a + 360, $b],
            $this->hueMethod === 'shorter' && $difference < -180 => [$a, $b + 360],
            default => [$a, $b],
        };

        return fmod($this->blend($a, $b), 360);
    }
}
