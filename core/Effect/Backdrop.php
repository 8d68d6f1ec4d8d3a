<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\Contrast;
use Insignum\Colour\Space;
use Insignum\Style\PageStyles;
use Insignum\Style\Style;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * What is really behind an element's text: its own background and, as far as that lets through, those of its ancestors.
 *
 * A gradient stands for its stops and what lies between them, and an image for the colours sampled from it, so the answer is a
 * set of opaque colours.
 * What lies over or under by position alone needs a layout, and is not looked at.
 */
final class Backdrop
{
    /** Beyond this many colours only some are kept, spread evenly from the darkest to the lightest: a text may be like any of them. */
    private const MOST = 32;

    /** So many colours are looked at from one stop of a gradient to the next. */
    private const BETWEEN = 8;

    /** @var array<int, BackdropColours> */
    private array $known = [];

    /** @param  \Closure(string): ?list<Colour>  $sample the colours of the image at a path, null where it isn't known */
    public function __construct(private readonly PageStyles $styles, private readonly \Closure $sample)
    {
    }

    public function behind(int $element): BackdropColours
    {
        if (isset($this->known[$element])) {
            return $this->known[$element];
        }
        $parent = $this->styles->page->parents[$element];
        $below = $parent < 0 ? new BackdropColours([Colour::white()], true) : $this->behind($parent);
        $style = $this->styles->style($element);
        $isPlain = $style->values['background-color'] === 'rgba(0, 0, 0, 0)' && $style->values['background-image'] === 'none';

        return $this->known[$element] = $isPlain ? $below : $this->painted($style, $below);
    }

    private function painted(Style $style, BackdropColours $below): BackdropColours
    {
        $own = ColourSyntax::fixed($style->value('background-color') ?? '') ?? Colour::transparent();
        $certain = $below->certain || $own->opacity() >= 1;
        $colours = array_map(static fn (Colour $c): Colour => $own->over($c), $below->colours);
        foreach (array_reverse($this->layers($style), true) as $number => $layer) {
            $stops = $this->coloursOf($layer);
            if ($stops === null) {
                $certain = false;

                continue;
            }
            $over = [];
            foreach ($stops as $stop) {
                foreach ($stop->opacity() >= 1 ? [Colour::white()] : $colours as $under) {
                    $over[] = $stop->over($under);
                }
            }
            $colours = $this->covers($style, $number) ? $over : [...$colours, ...$over];
        }

        return new BackdropColours($this->bounded($colours), $certain);
    }

    /** @return array<int, Component> by the number of the layer; those without an image are left out */
    private function layers(Style $style): array
    {
        $image = $style->value('background-image') ?? 'none';
        if ($image === 'none') {
            return [];
        }
        $layers = [];
        foreach (Components::split(Components::parse($image)) as $number => $part) {
            $dense = Components::dense($part);
            if (count($dense) === 1 && ! $dense[0]->isIdent('none')) {
                $layers[$number] = $dense[0];
            }
        }

        return $layers;
    }

    /** @return ?list<Colour> */
    private function coloursOf(Component $layer): ?array
    {
        if ($layer->type === TokenType::URL || $layer->isFunction('url')) {
            $address = $layer->type === TokenType::URL ? $layer->text : ($layer->children[0]->text ?? '');

            return ($this->sample)($address);
        }
        $stops = [];
        foreach ($layer->children as $child) {
            $colour = ColourSyntax::parse($child);
            if ($colour !== null) {
                $stops[] = $colour->resolve(Colour::black(), false);
            }
        }

        return $stops === [] ? null : $this->ramp($stops);
    }

    /**
     * With colours between the stops, mixed as gradients are where nothing else is said: Images 4, 3.5.3.
     *
     * @param  non-empty-list<Colour>  $stops
     * @return non-empty-list<Colour>
     */
    private function ramp(array $stops): array
    {
        $ramp = [$stops[0]];
        foreach (array_slice($stops, 1) as $i => $to) {
            $from = $stops[$i];
            [$one, $two] = [$from->in(Space::Srgb), $to->in(Space::Srgb)];
            for ($step = 1; $step <= self::BETWEEN; $step++) {
                $share = $step / self::BETWEEN;
                $mixed = array_map(static fn (float $a, float $b): float => ($a + ($b - $a) * $share) * 255, $one, $two);
                $ramp[] = Colour::rgb($mixed[0], $mixed[1], $mixed[2], $from->opacity() + ($to->opacity() - $from->opacity()) * $share);
            }
        }

        return $ramp;
    }

    /** Whether an image layer fills the box, as far as can be told without its size. */
    private function covers(Style $style, int $number): bool
    {
        $of = static function (string $property, string $initial) use ($style, $number): string {
            $values = preg_split('/,\s*(?![^(]*\))/', $style->value($property) ?? $initial) ?: [$initial];

            return $values[$number % count($values)];
        };
        $size = $of('background-size', 'auto');

        return $of('background-repeat', 'repeat') === 'repeat' || $size === 'cover' || ($size === 'auto' && str_contains($style->value('background-image') ?? '', 'gradient('));
    }

    /**
     * @param  list<Colour>  $colours
     * @return non-empty-list<Colour>
     */
    private function bounded(array $colours): array
    {
        $unique = [];
        foreach ($colours as $colour) {
            $unique[$colour->hex()] = $colour;
        }
        $unique = array_values($unique);
        if (count($unique) > self::MOST) {
            usort($unique, static fn (Colour $a, Colour $b): int => Contrast::luminance($a) <=> Contrast::luminance($b));
            $step = (count($unique) - 1) / (self::MOST - 1);
            $unique = array_map(static fn (int $i): Colour => $unique[(int) round($i * $step)], range(0, self::MOST - 1));
        }

        return $unique === [] ? [Colour::white()] : $unique;
    }
}
