<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\Contrast;
use Insignum\Style\PageStyles;
use Insignum\Style\Style;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * What is really behind an element's text: its own background and, as far as that lets through, those of its ancestors.
 *
 * A gradient stands for its stops and an image for the colours sampled from it, so the answer is a set of opaque colours.
 * What lies over or under by position alone needs a layout, and is not looked at.
 */
final class Backdrop
{
    /** Beyond this many colours only the darkest and the lightest are kept: they bound the contrast. */
    private const MOST = 24;

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
        foreach (array_reverse($this->layers($style)) as $layer) {
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
            $colours = $this->covers($style) ? $over : [...$colours, ...$over];
        }

        return new BackdropColours($this->bounded($colours), $certain);
    }

    /** @return list<Component> */
    private function layers(Style $style): array
    {
        $image = $style->value('background-image') ?? 'none';
        if ($image === 'none') {
            return [];
        }
        $layers = [];
        foreach (Components::split(Components::parse($image)) as $part) {
            $dense = Components::dense($part);
            if (count($dense) === 1 && ! $dense[0]->isIdent('none')) {
                $layers[] = $dense[0];
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

        return $stops === [] ? null : $stops;
    }

    /** Whether an image layer fills the box, as far as can be told without its size. */
    private function covers(Style $style): bool
    {
        $repeat = $style->value('background-repeat') ?? 'repeat';
        $size = $style->value('background-size') ?? 'auto';

        return $repeat === 'repeat' || str_contains($size, 'cover') || str_contains($style->value('background-image') ?? '', 'gradient(') && $size === 'auto';
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
            $unique = [...array_slice($unique, 0, self::MOST / 2), ...array_slice($unique, -self::MOST / 2)];
        }

        return $unique === [] ? [Colour::white()] : $unique;
    }
}
