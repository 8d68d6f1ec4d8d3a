<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\PaletteColour;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\Declaration;

/** The colours that a site's sheets use, most used first. */
final class PaletteReader
{
    /**
     * @param  list<CompiledSheet>  $sheets
     * @return list<PaletteColour>
     */
    public static function read(array $sheets): array
    {
        $counts = $colours = $variables = $uses = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet->rules() as $rule) {
                foreach ($rule->declarations() as $declaration) {
                    self::count($declaration, $counts, $colours, $variables, $uses);
                }
            }
        }
        foreach ($variables as $name => $text) {
            $counts[$text] += ($uses[$name] ?? 0);
        }
        arsort($counts);
        $names = array_flip($variables);

        return array_map(
            static fn (string $text): PaletteColour => new PaletteColour($colours[$text], $counts[$text], $names[$text] ?? null),
            array_keys($counts),
        );
    }

    /**
     * With colours that can hardly be told apart taken together, under the one that is used most: Color 4, 19.1, ΔEOK.
     *
     * @param  list<PaletteColour>  $colours  most used first
     * @return list<PaletteColour>
     */
    public static function merged(array $colours, float $near = 0.03): array
    {
        $out = [];
        foreach ($colours as $colour) {
            foreach ($out as $i => $kept) {
                if ($kept->colour->distance($colour->colour) <= $near) {
                    $out[$i] = new PaletteColour($kept->colour, $kept->uses + $colour->uses, $kept->variable ?? $colour->variable);

                    continue 2;
                }
            }
            $out[] = $colour;
        }
        usort($out, static fn (PaletteColour $a, PaletteColour $b): int => $b->uses <=> $a->uses);

        return $out;
    }

    /** @return list<Colour> the colours that a value names */
    public static function in(string $value): array
    {
        $colours = [];
        foreach (self::leaves(Components::parse($value)) as $component) {
            $found = ColourSyntax::parse($component);
            if ($found !== null && $found->isFixed()) {
                $colours[] = $found->resolve(Colour::black(), false);
            }
        }

        return $colours;
    }

    /**
     * @param  array<string, int>  $counts
     * @param  array<string, Colour>  $colours
     * @param  array<string, string>  $variables
     * @param  array<string, int>  $uses
     */
    private static function count(Declaration $declaration, array &$counts, array &$colours, array &$variables, array &$uses): void
    {
        preg_match_all('/var\(\s*(--[-\w]+)/', $declaration->value, $m);
        foreach ($m[1] as $name) {
            $uses[$name] = ($uses[$name] ?? 0) + 1;
        }
        foreach (self::leaves(Components::parse($declaration->value)) as $component) {
            $value = ColourSyntax::parse($component);
            $colour = $value !== null && $value->isFixed() ? $value->resolve(Colour::black(), false) : null;
            if ($colour === null || $colour->opacity() == 0.0) {
                continue;
            }
            $text = (string) $colour;
            $counts[$text] = ($counts[$text] ?? 0) + 1;
            $colours[$text] = $colour;
            if (str_starts_with($declaration->name, '--') && trim($declaration->value) === $component->raw) {
                $variables[$declaration->name] ??= $text;
            }
        }
    }

    /**
     * Components that may be colours, at any depth; a colour function counts as one.
     *
     * @param  list<Component>  $components
     * @return list<Component>
     */
    private static function leaves(array $components): array
    {
        $out = [];
        foreach ($components as $component) {
            if (ColourSyntax::parse($component) !== null) {
                $out[] = $component;
            } elseif ($component->children !== []) {
                array_push($out, ...self::leaves($component->children));
            }
        }

        return $out;
    }
}
