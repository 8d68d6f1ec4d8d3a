<?php

declare(strict_types=1);

namespace Insignum\Colour;

use Insignum\Syntax\Component;

/** `oklch(from origin l c h)` and its like, Color 5, section 4: the channels become numbers that the components may use. */
final readonly class RelativeColour implements ColourValue
{
    /** @param  list<Component>  $components the three components, and the alpha where one is written */
    public function __construct(private Space $space, private ColourValue $origin, private array $components, private bool $legacySyntax)
    {
    }

    public function resolve(Colour $current, bool $dark): Colour
    {
        $origin = $this->origin->resolve($current, $dark);
        $scale = ColourSyntax::scale($this->space, $this->legacySyntax);
        $channels = ['alpha' => $origin->opacity()];
        foreach ($origin->in($this->space) as $i => $value) {
            $channels[$this->space->channels()[$i]] = $value * $scale[$i];
        }
        $parts = [];
        foreach ([0, 1, 2] as $i) {
            $value = ColourSyntax::component($this->components[$i], $this->space, $i, $this->legacySyntax, $channels);
            $parts[] = $value === false ? 0.0 : $value;
        }
        $alpha = isset($this->components[3]) ? ColourSyntax::alpha($this->components[3], $channels) : $origin->alpha;
        $colour = new Colour($this->space, $parts, $alpha === false ? 1.0 : $alpha);

        return in_array($this->space, [Space::Hsl, Space::Hwb], true) ? $colour->to(Space::Srgb) : $colour;
    }

    public function isFixed(): bool
    {
        return $this->origin->isFixed();
    }
}
