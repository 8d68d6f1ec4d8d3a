<?php

declare(strict_types=1);

namespace Insignum\Colour;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;
use Insignum\Value\Calculation;
use Insignum\Value\Number;
use Insignum\Value\Units;

/** Every colour notation of Color 4, and the functions of Color 5. */
final class ColourSyntax
{
    private const FUNCTIONS = [
        'rgb' => Space::Srgb, 'rgba' => Space::Srgb, 'hsl' => Space::Hsl, 'hsla' => Space::Hsl, 'hwb' => Space::Hwb,
        'lab' => Space::Lab, 'lch' => Space::Lch, 'oklab' => Space::Oklab, 'oklch' => Space::Oklch,
    ];

    /** A colour that is the same everywhere; null for anything else. */
    public static function fixed(string $text): ?Colour
    {
        $components = Components::dense(Components::parse($text));
        $value = count($components) === 1 ? self::parse($components[0]) : null;

        return $value !== null && $value->isFixed() ? $value->resolve(Colour::black(), false) : null;
    }

    public static function parse(Component $component): ?ColourValue
    {
        if ($component->type === TokenType::HASH) {
            return self::hex($component->text);
        }
        if ($component->type === TokenType::IDENT) {
            $named = NamedColours::find($component->text);
            $dark = NamedColours::dark($component->text);
            if ($named !== null && $dark !== null) {
                return new SchemeColour(new FixedColour($named), new FixedColour($dark));
            }

            return $component->isIdent('currentcolor') ? new CurrentColour : ($named === null ? null : new FixedColour($named));
        }
        if ($component->type !== TokenType::FUNCTION) {
            return null;
        }

        return match ($component->keyword()) {
            'color' => self::colorFunction($component),
            'color-mix' => self::mix($component),
            'light-dark' => self::lightDark($component),
            'contrast-color' => self::contrast($component),
            default => isset(self::FUNCTIONS[$component->keyword()]) ? self::function($component) : null,
        };
    }

    /**
     * What a component's number means in the space's own unit: 255 for a channel of rgb(), 100 for a percentage.
     *
     * @return array{float, float, float}
     */
    public static function scale(Space $space, bool $functional): array
    {
        return match (true) {
            $space === Space::Srgb && $functional => [255.0, 255.0, 255.0],
            $space === Space::Hsl, $space === Space::Hwb => [1.0, 100.0, 100.0],
            default => [1.0, 1.0, 1.0],
        };
    }

    /**
     * One component in the space's own unit; null for `none`, false where it is invalid.
     *
     * @param  array<string, float>  $channels  of the origin colour, for relative colours
     */
    public static function component(Component $c, Space $space, int $index, bool $functional, array $channels = []): float|false|null
    {
        if ($c->isIdent('none')) {
            return null;
        }
        $quantity = self::quantity($c, $channels);
        if ($quantity === null) {
            return false;
        }
        [$value, $unit] = $quantity;
        if ($index === $space->hue()) {
            return $unit === '' || $unit === 'deg' ? (is_finite($value) ? fmod(fmod($value, 360) + 360, 360) : 0.0) : false;
        }
        if ($unit === '%') {
            $value = $value / 100 * self::whole($space, $index);
        } elseif ($unit === '') {
            $value /= self::scale($space, $functional)[$index];
        } else {
            return false;
        }

        return match (true) {
            $space === Space::Lab || $space === Space::Lch => $index === 0 ? max(0.0, min(100.0, $value)) : ($space === Space::Lch && $index === 1 ? max(0.0, $value) : $value),
            $space === Space::Oklab || $space === Space::Oklch => $index === 0 ? max(0.0, min(1.0, $value)) : ($space === Space::Oklch && $index === 1 ? max(0.0, $value) : $value),
            $space === Space::Hsl && $index === 1 => max(0.0, $value),
            default => $value,
        };
    }

    /** @param  array<string, float>  $channels */
    public static function alpha(Component $c, array $channels = []): float|false|null
    {
        if ($c->isIdent('none')) {
            return null;
        }
        $quantity = self::quantity($c, $channels);
        if ($quantity === null || ! in_array($quantity[1], ['', '%'], true)) {
            return false;
        }

        return max(0.0, min(1.0, $quantity[1] === '%' ? $quantity[0] / 100 : $quantity[0]));
    }

    /** What 100 % stands for. */
    private static function whole(Space $space, int $index): float
    {
        return match ($space) {
            Space::Lab => [100.0, 125.0, 125.0][$index],
            Space::Lch => [100.0, 150.0, 360.0][$index],
            Space::Oklab => [1.0, 0.4, 0.4][$index],
            Space::Oklch => [1.0, 0.4, 360.0][$index],
            default => 1.0,
        };
    }

    /**
     * @param  array<string, float>  $channels
     * @return ?array{float, string} number and canonical unit
     */
    private static function quantity(Component $c, array $channels): ?array
    {
        if ($c->type === TokenType::IDENT) {
            return isset($channels[$c->keyword()]) ? [$channels[$c->keyword()], ''] : null;
        }
        if (Calculation::isFunction($c)) {
            $result = Calculation::parse($c, $channels)?->resolve(new Units);

            return $result?->single();
        }
        if (! in_array($c->type, [TokenType::NUMBER, TokenType::PERCENTAGE, TokenType::DIMENSION], true)) {
            return null;
        }

        return (new Units)->resolve($c->number, $c->unit)?->single();
    }

    private static function hex(string $digits): ?FixedColour
    {
        if (! preg_match('/\A(?:[0-9a-f]{3,4}|[0-9a-f]{6}|[0-9a-f]{8})\z/i', $digits)) {
            return null;
        }
        if (strlen($digits) < 6) {
            $digits = implode('', array_map(static fn (string $d): string => $d.$d, str_split($digits)));
        }
        $bytes = array_map(hexdec(...), str_split($digits, 2));

        return new FixedColour(Colour::rgb($bytes[0], $bytes[1], $bytes[2], ($bytes[3] ?? 255) / 255));
    }

    private static function function(Component $function): ?ColourValue
    {
        $space = self::FUNCTIONS[$function->keyword()];
        $parts = Components::dense($function->children);
        if ($parts !== [] && $parts[0]->isIdent('from')) {
            return self::relative($space, array_slice($parts, 1), true);
        }
        $legacy = in_array($space, [Space::Srgb, Space::Hsl], true) && array_filter($parts, static fn (Component $c): bool => $c->type === TokenType::COMMA) !== [];
        $arguments = $legacy ? self::legacyArguments($parts, $space) : self::modernArguments($parts);
        if ($arguments === null) {
            return null;
        }
        $components = [];
        foreach ([0, 1, 2] as $i) {
            $component = self::component($arguments[$i], $space, $i, true);
            if ($component === false) {
                return null;
            }
            // Color 4, 7: only with commas are saturation and lightness kept within 100 %.
            $components[] = $legacy && $space === Space::Hsl && $i > 0 ? max(0.0, min(1.0, $component ?? 0.0)) : $component;
        }
        $alpha = isset($arguments[3]) ? self::alpha($arguments[3]) : 1.0;
        if ($alpha === false) {
            return null;
        }
        $colour = new Colour($space, $components, $alpha, $space === Space::Srgb);
        if ($space === Space::Srgb || $space === Space::Hsl || $space === Space::Hwb) {
            // Color 4, 15.2: these resolve to sRGB and are written with bytes, so they are rounded to them.
            [$r, $g, $b] = $colour->in(Space::Srgb);

            return new FixedColour(Colour::rgb(self::byte($r), self::byte($g), self::byte($b), $alpha ?? 0.0));
        }

        return new FixedColour($colour);
    }

    private static function byte(float $channel): float
    {
        return max(0, min(255, round(Number::single(Number::single($channel) * 255))));
    }

    /**
     * @param  list<Component>  $parts
     * @return ?list<Component>
     */
    private static function legacyArguments(array $parts, Space $space): ?array
    {
        $arguments = Components::split($parts);
        if (count($arguments) < 3 || count($arguments) > 4 || array_filter($arguments, static fn (array $a): bool => count($a) !== 1) !== []) {
            return null;
        }
        $flat = array_map(static fn (array $a): Component => $a[0], $arguments);
        if (array_filter($flat, static fn (Component $c): bool => $c->isIdent()) !== []) {
            return null;
        }
        $percentages = array_map(static fn (Component $c): bool => $c->type === TokenType::PERCENTAGE, array_slice($flat, 0, 3));
        $mixed = $space === Space::Srgb && $percentages !== array_fill(0, 3, $percentages[0]) && ! array_filter($flat, Calculation::isFunction(...));
        $bare = $space === Space::Hsl && (! $percentages[1] || ! $percentages[2]) && ! array_filter($flat, Calculation::isFunction(...));

        return $mixed || $bare ? null : $flat;
    }

    /**
     * @param  list<Component>  $parts
     * @return ?list<Component>
     */
    private static function modernArguments(array $parts): ?array
    {
        $count = count($parts);
        if ($count === 3 && array_filter($parts, static fn (Component $c): bool => $c->type === TokenType::COMMA) === []) {
            return $parts;
        }

        return $count === 5 && $parts[3]->isDelim('/') ? [$parts[0], $parts[1], $parts[2], $parts[4]] : null;
    }

    /** @param  list<Component>  $parts what follows `from`: the origin colour, for color() the space, and the components */
    private static function relative(?Space $space, array $parts, bool $functional): ?ColourValue
    {
        $origin = isset($parts[0]) ? self::parse($parts[0]) : null;
        $parts = array_slice($parts, 1);
        if ($space === null) {
            $space = isset($parts[0]) && $parts[0]->isIdent() ? Space::named($parts[0]->keyword()) : null;
            $parts = array_slice($parts, 1);
        }
        $arguments = self::modernArguments($parts);
        if ($origin === null || $space === null || $arguments === null) {
            return null;
        }
        $channels = array_fill_keys([...$space->channels(), 'alpha'], 1.0);
        foreach ([0, 1, 2] as $i) {
            if (self::component($arguments[$i], $space, $i, $functional, $channels) === false) {
                return null;
            }
        }
        if (isset($arguments[3]) && self::alpha($arguments[3], $channels) === false) {
            return null;
        }

        return new RelativeColour($space, $origin, $arguments, $functional);
    }

    private static function colorFunction(Component $function): ?ColourValue
    {
        $parts = Components::dense($function->children);
        if ($parts !== [] && $parts[0]->isIdent('from')) {
            return self::relative(null, array_slice($parts, 1), false);
        }
        $name = array_shift($parts);
        $space = $name?->isIdent() ? Space::named($name->keyword()) : null;
        $arguments = self::modernArguments($parts);
        if ($space === null || $space->hue() !== null || $space === Space::Lab || $space === Space::Oklab || $arguments === null) {
            return null;
        }
        $components = [];
        foreach ([0, 1, 2] as $i) {
            $component = self::component($arguments[$i], $space, $i, false);
            if ($component === false) {
                return null;
            }
            $components[] = $component;
        }
        $alpha = isset($arguments[3]) ? self::alpha($arguments[3]) : 1.0;

        return $alpha === false ? null : new FixedColour(new Colour($space, $components, $alpha));
    }

    private static function mix(Component $function): ?ColourValue
    {
        $parts = array_map(Components::dense(...), Components::split($function->children));
        $space = Space::Oklab;
        $method = 'shorter';
        if (count($parts) === 3) {
            $words = array_map(static fn (Component $c): string => $c->isIdent() ? $c->keyword() : '', array_shift($parts));
            $space = ($words[0] ?? '') === 'in' ? Space::named($words[1] ?? '') : null;
            $method = $words[2] ?? 'shorter';
            if ($space === null || (isset($words[2]) && ($space->hue() === null || ($words[3] ?? '') !== 'hue' || ! in_array($method, ['shorter', 'longer', 'increasing', 'decreasing'], true)))) {
                return null;
            }
        }
        if (count($parts) !== 2) {
            return null;
        }
        [$one, $two] = array_map(self::mixPart(...), $parts);
        if ($one === null || $two === null) {
            return null;
        }
        $first = $one[1] ?? ($two[1] === null ? 0.5 : 1 - $two[1]);
        $second = $two[1] ?? 1 - $first;
        $sum = $first + $second;

        return $sum <= 0 ? null : new MixedColour($space, $method, $one[0], $two[0], $second / $sum, min(1.0, $sum));
    }

    /**
     * @param  list<Component>  $part
     * @return ?array{ColourValue, ?float}
     */
    private static function mixPart(array $part): ?array
    {
        $colour = $share = null;
        foreach ($part as $component) {
            $calculated = $share === null && Calculation::isFunction($component) ? self::quantity($component, []) : null;
            if ($component->type === TokenType::PERCENTAGE && $share === null) {
                $share = $component->number / 100;
            } elseif ($calculated !== null && $calculated[1] === '%') {
                $share = max(0.0, min(1.0, $calculated[0] / 100));
            } elseif ($colour === null) {
                $colour = self::parse($component);
            } else {
                return null;
            }
        }

        return $colour === null || ($share !== null && ($share < 0 || $share > 1)) ? null : [$colour, $share];
    }

    private static function contrast(Component $function): ?ColourValue
    {
        $parts = Components::dense($function->children);
        $ground = count($parts) === 1 ? self::parse($parts[0]) : null;

        return $ground === null ? null : new ContrastColour($ground);
    }

    private static function lightDark(Component $function): ?ColourValue
    {
        $parts = array_map(Components::dense(...), Components::split($function->children));
        if (count($parts) !== 2 || count($parts[0]) !== 1 || count($parts[1]) !== 1) {
            return null;
        }
        $light = self::parse($parts[0][0]);
        $dark = self::parse($parts[1][0]);

        return $light === null || $dark === null ? null : new SchemeColour($light, $dark);
    }
}
