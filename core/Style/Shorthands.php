<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * Shorthands to longhands, each with the component values it gets. Longhands that a shorthand doesn't mention get their
 * initial value: that is how a shorthand wipes.
 *
 * @phpstan-type Parts array<string, list<Component>>
 */
final class Shorthands
{
    private const SIDES = ['top', 'right', 'bottom', 'left'];

    private const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'];

    /** Names that are another property: prefixed ones, and logical ones as they fall in a left-to-right page. */
    private const ALIASES = [
        '-webkit-appearance' => 'appearance', '-webkit-box-shadow' => 'box-shadow', '-webkit-border-radius' => 'border-radius', '-webkit-background-size' => 'background-size',
        '-webkit-background-clip' => 'background-clip', '-webkit-background-origin' => 'background-origin', '-webkit-opacity' => 'opacity',
        '-webkit-border-top-left-radius' => 'border-top-left-radius', '-webkit-border-top-right-radius' => 'border-top-right-radius',
        '-webkit-border-bottom-left-radius' => 'border-bottom-left-radius', '-webkit-border-bottom-right-radius' => 'border-bottom-right-radius',
        '-webkit-text-decoration-color' => 'text-decoration-color', '-webkit-text-decoration-line' => 'text-decoration-line',
        '-webkit-text-decoration-style' => 'text-decoration-style', '-webkit-border-image' => 'border-image', '-webkit-box-sizing' => 'box-sizing',
        '-webkit-margin-start' => 'margin-left', '-webkit-margin-end' => 'margin-right', '-webkit-padding-start' => 'padding-left', '-webkit-padding-end' => 'padding-right',
        'margin-block-start' => 'margin-top', 'margin-block-end' => 'margin-bottom', 'margin-inline-start' => 'margin-left', 'margin-inline-end' => 'margin-right',
        'padding-block-start' => 'padding-top', 'padding-block-end' => 'padding-bottom', 'padding-inline-start' => 'padding-left', 'padding-inline-end' => 'padding-right',
        'inset-block-start' => 'top', 'inset-block-end' => 'bottom', 'inset-inline-start' => 'left', 'inset-inline-end' => 'right',
        'border-start-start-radius' => 'border-top-left-radius', 'border-start-end-radius' => 'border-top-right-radius',
        'border-end-start-radius' => 'border-bottom-left-radius', 'border-end-end-radius' => 'border-bottom-right-radius',
        'inline-size' => 'width', 'block-size' => 'height', 'min-inline-size' => 'min-width', 'max-inline-size' => 'max-width',
        'min-block-size' => 'min-height', 'max-block-size' => 'max-height', 'text-decoration-skip' => 'text-decoration-skip-ink',
    ];

    private const LOGICAL = ['block-start' => 'top', 'block-end' => 'bottom', 'inline-start' => 'left', 'inline-end' => 'right'];

    /** @var array<string, list<Component>> */
    private array $initials = [];

    public function __construct(private readonly PropertyTable $table, private readonly Grammar $grammar)
    {
    }

    public static function alias(string $name): string
    {
        if (isset(self::ALIASES[$name])) {
            return self::ALIASES[$name];
        }
        if (preg_match('/\Aborder-(block-start|block-end|inline-start|inline-end)(-color|-style|-width)?\z/', $name, $m)) {
            return 'border-'.self::LOGICAL[$m[1]].($m[2] ?? '');
        }

        return $name;
    }

    /** Whether a property's side depends on the direction of the text: Logical Properties 1, section 4. */
    public static function isFlowRelative(string $name): bool
    {
        return preg_match('/-inline(?:-|\z)|-(?:start|end)-(?:start|end)-radius\z|\A-webkit-(?:margin|padding)-(?:start|end)\z/', $name) === 1;
    }

    /** @return list<string> the longhands of a shorthand; empty where it is none */
    public static function longhands(string $name): array
    {
        $border = static fn (string ...$what): array => array_merge(...array_map(
            static fn (string $side): array => array_map(static fn (string $w): string => "border-$side-$w", array_values($what)),
            self::SIDES,
        ));
        if (preg_match('/\Aborder-(top|right|bottom|left)\z/', $name)) {
            return ["$name-width", "$name-style", "$name-color"];
        }

        return match ($name) {
            'background' => ['background-image', 'background-position-x', 'background-position-y', 'background-size', 'background-repeat', 'background-attachment', 'background-origin', 'background-clip', 'background-color'],
            'background-position' => ['background-position-x', 'background-position-y'],
            'border' => [...$border('width', 'style', 'color'), ...self::longhands('border-image')],
            'border-width' => $border('width'),
            'border-style' => $border('style'),
            'border-color' => $border('color'),
            'border-block' => ['border-top-width', 'border-top-style', 'border-top-color', 'border-bottom-width', 'border-bottom-style', 'border-bottom-color'],
            'border-inline' => ['border-left-width', 'border-left-style', 'border-left-color', 'border-right-width', 'border-right-style', 'border-right-color'],
            'border-block-width', 'border-block-style', 'border-block-color' => ['border-top-'.substr($name, 13), 'border-bottom-'.substr($name, 13)],
            'border-inline-width', 'border-inline-style', 'border-inline-color' => ['border-left-'.substr($name, 14), 'border-right-'.substr($name, 14)],
            'border-radius' => array_map(static fn (string $c): string => "border-$c-radius", self::CORNERS),
            'border-image' => ['border-image-source', 'border-image-slice', 'border-image-width', 'border-image-outset', 'border-image-repeat'],
            'outline' => ['outline-color', 'outline-style', 'outline-width'],
            'text-decoration' => ['text-decoration-line', 'text-decoration-style', 'text-decoration-color', 'text-decoration-thickness'],
            'font' => ['font-style', 'font-variant-caps', 'font-weight', 'font-stretch', 'font-size', 'line-height', 'font-family'],
            'margin', 'padding' => array_map(static fn (string $side): string => "$name-$side", self::SIDES),
            'margin-block' => ['margin-top', 'margin-bottom'],
            'margin-inline' => ['margin-left', 'margin-right'],
            'padding-block' => ['padding-top', 'padding-bottom'],
            'padding-inline' => ['padding-left', 'padding-right'],
            'inset' => self::SIDES,
            'inset-block' => ['top', 'bottom'],
            'inset-inline' => ['left', 'right'],
            'list-style' => ['list-style-position', 'list-style-image', 'list-style-type'],
            'overflow' => ['overflow-x', 'overflow-y'],
            'white-space' => ['white-space-collapse', 'text-wrap-mode'],
            default => [],
        };
    }

    /**
     * @param  list<Component>  $value  white space included
     * @return ?Parts null where the value is invalid
     */
    public function expand(string $name, array $value): ?array
    {
        $c = Components::dense($value);
        if ($c === []) {
            return null;
        }
        $longhands = self::longhands($name);
        if (preg_match('/\Aborder-(top|right|bottom|left)\z/', $name)) {
            return $this->anyOrder($c, $longhands);
        }

        return match ($name) {
            'background' => $this->background($c),
            'background-position' => $this->backgroundPosition($c),
            'border' => $this->border($c),
            'border-width', 'border-style', 'border-color', 'margin', 'padding', 'inset' => $this->sides($c, $longhands),
            'margin-block', 'margin-inline', 'padding-block', 'padding-inline', 'inset-block', 'inset-inline', 'overflow',
            'border-block-width', 'border-block-style', 'border-block-color', 'border-inline-width', 'border-inline-style', 'border-inline-color' => $this->pair($c, $longhands),
            'border-block', 'border-inline' => $this->borderPair($c, $name === 'border-block' ? ['top', 'bottom'] : ['left', 'right']),
            'border-radius' => $this->radius($c),
            'border-image' => $this->borderImage($c),
            'outline', 'text-decoration' => $this->anyOrder($c, $longhands),
            'font' => $this->font($value, $c),
            'list-style' => $this->listStyle($c),
            'white-space' => $this->whiteSpace($c),
            default => null,
        };
    }

    /**
     * The longhands that a shorthand's value says nothing about and so resets: each got its initial value put in.
     *
     * @param  list<Component>  $value
     * @return list<string>
     */
    public function omitted(string $name, array $value): array
    {
        $isPutIn = fn (array $part, string $longhand): bool => array_filter($part, fn (Component $c): bool => $c->type !== TokenType::COMMA && ! in_array($c, $this->initial($longhand), true)) === [];

        return array_keys(array_filter($this->expand($name, $value) ?? [], $isPutIn, ARRAY_FILTER_USE_BOTH));
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $names  top, right, bottom, left
     * @return ?Parts
     */
    private function sides(array $c, array $names): ?array
    {
        if (count($c) > 4) {
            return null;
        }
        $all = [$c[0], $c[1] ?? $c[0], $c[2] ?? $c[0], $c[3] ?? $c[1] ?? $c[0]];

        return array_combine($names, array_map(static fn (Component $part): array => [$part], $all));
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $names
     * @return ?Parts
     */
    private function pair(array $c, array $names): ?array
    {
        return count($c) > 2 ? null : [$names[0] => [$c[0]], $names[1] => [$c[1] ?? $c[0]]];
    }

    /**
     * Values in any order, each for the first longhand that takes it and has none yet.
     *
     * @param  list<Component>  $c
     * @param  list<string>  $names
     * @return ?Parts
     */
    private function anyOrder(array $c, array $names): ?array
    {
        $parts = [];
        foreach ($c as $component) {
            $taker = null;
            foreach ($names as $name) {
                if (! isset($parts[$name]) && $this->takes($name, [$component])) {
                    $taker = $name;
                    break;
                }
            }
            if ($taker === null && isset($parts['text-decoration-line'])) {
                $parts['text-decoration-line'][] = $component;
                if (! $this->takes('text-decoration-line', $parts['text-decoration-line'])) {
                    return null;
                }

                continue;
            }
            if ($taker === null) {
                return null;
            }
            $parts[$taker] = [$component];
        }

        return $this->withInitials($parts, $names);
    }

    /**
     * @param  Parts  $parts
     * @param  list<string>  $names
     * @return Parts
     */
    private function withInitials(array $parts, array $names): array
    {
        foreach ($names as $name) {
            $parts[$name] ??= $this->initial($name);
        }

        return $parts;
    }

    /** @return list<Component> always the same objects for a name */
    private function initial(string $name): array
    {
        return $this->initials[$name] ??= Components::parse($this->table->find($name)->initial ?? 'initial');
    }

    /** @param  list<Component>  $value */
    private function takes(string $name, array $value): bool
    {
        $property = $this->table->find($name);

        return $property !== null && $this->grammar->parse($property, $value) !== null;
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function border(array $c): ?array
    {
        $one = $this->anyOrder($c, self::longhands('border-top'));
        if ($one === null) {
            return null;
        }
        $parts = [];
        foreach (self::SIDES as $side) {
            foreach (['width', 'style', 'color'] as $what) {
                $parts["border-$side-$what"] = $one["border-top-$what"];
            }
        }

        return $this->withInitials($parts, self::longhands('border-image'));
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $sides
     * @return ?Parts
     */
    private function borderPair(array $c, array $sides): ?array
    {
        $one = $this->anyOrder($c, self::longhands('border-top'));
        $parts = [];
        foreach ($sides as $side) {
            foreach ($one ?? [] as $name => $value) {
                $parts[str_replace('top', $side, $name)] = $value;
            }
        }

        return $one === null ? null : $parts;
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function radius(array $c): ?array
    {
        $halves = Components::split($c, TokenType::DELIM, '/');
        if (count($halves) > 2 || in_array([], $halves, true)) {
            return null;
        }
        $across = $this->sides($halves[0], self::CORNERS);
        $down = $this->sides($halves[1] ?? $halves[0], self::CORNERS);
        if ($across === null || $down === null) {
            return null;
        }
        $parts = [];
        foreach (self::CORNERS as $corner) {
            $parts["border-$corner-radius"] = isset($halves[1]) ? [...$across[$corner], ...$down[$corner]] : $across[$corner];
        }

        return $parts;
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function backgroundPosition(array $c): ?array
    {
        $x = $y = [];
        foreach (Components::split($c) as $i => $layer) {
            $axes = $layer === [] ? null : Position::split($layer);
            if ($axes === null) {
                return null;
            }
            $comma = $i === 0 ? [] : [self::comma()];
            array_push($x, ...$comma, ...$axes[0]);
            array_push($y, ...$comma, ...$axes[1]);
        }

        return ['background-position-x' => $x, 'background-position-y' => $y];
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function background(array $c): ?array
    {
        $names = self::longhands('background');
        $layers = Components::split($c);
        $parts = array_fill_keys($names, []);
        foreach ($layers as $i => $layer) {
            $one = $layer === [] ? null : $this->backgroundLayer($layer, $i === count($layers) - 1);
            if ($one === null) {
                return null;
            }
            foreach ($names as $name) {
                if ($name === 'background-color') {
                    $parts[$name] = $one[$name] ?? $this->initial($name);
                } else {
                    array_push($parts[$name], ...($i === 0 ? [] : [self::comma()]), ...($one[$name] ?? $this->initial($name)));
                }
            }
        }

        return $parts;
    }

    /**
     * @param  list<Component>  $layer
     * @return ?Parts
     */
    private function backgroundLayer(array $layer, bool $isLast): ?array
    {
        $one = [];
        $count = count($layer);
        for ($i = 0; $i < $count; $i++) {
            $c = $layer[$i];
            if (! isset($one['background-position-x']) && ($length = $this->positionLength($layer, $i)) > 0) {
                [$one['background-position-x'], $one['background-position-y']] = Position::split(array_slice($layer, $i, $length)) ?? [[], []];
                $i += $length - 1;
                if (isset($layer[$i + 1]) && $layer[$i + 1]->isDelim('/')) {
                    $size = array_slice($layer, $i + 2, 2);
                    $size = $this->takes('background-size', $size) && count($size) === 2 ? $size : array_slice($size, 0, 1);
                    if (! $this->takes('background-size', $size)) {
                        return null;
                    }
                    $one['background-size'] = $size;
                    $i += 1 + count($size);
                }
            } elseif (! isset($one['background-repeat']) && $this->takes('background-repeat', [$c])) {
                $two = array_slice($layer, $i, 2);
                $one['background-repeat'] = count($two) === 2 && $this->takes('background-repeat', $two) ? $two : [$c];
                $i += count($one['background-repeat']) - 1;
            } elseif (! isset($one['background-attachment']) && $this->takes('background-attachment', [$c])) {
                $one['background-attachment'] = [$c];
            } elseif (! isset($one['background-origin']) && $this->takes('background-origin', [$c])) {
                $one['background-origin'] = $one['background-clip'] = [$c];
            } elseif ($this->takes('background-clip', [$c])) {
                $one['background-clip'] = [$c];
            } elseif (! isset($one['background-image']) && $this->takes('background-image', [$c])) {
                $one['background-image'] = [$c];
            } elseif ($isLast && ! isset($one['background-color']) && $this->takes('background-color', [$c])) {
                $one['background-color'] = [$c];
            } else {
                return null;
            }
        }

        return $one;
    }

    /**
     * How many parts from $i on make the longest position.
     *
     * @param  list<Component>  $layer
     */
    private function positionLength(array $layer, int $i): int
    {
        for ($length = 4; $length >= 1; $length--) {
            $slice = array_slice($layer, $i, $length);
            $axes = count($slice) === $length ? Position::split($slice) : null;
            if ($axes !== null && $this->takes('background-position-x', $axes[0]) && $this->takes('background-position-y', $axes[1])) {
                return $length;
            }
        }

        return 0;
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function borderImage(array $c): ?array
    {
        $parts = [];
        $groups = Components::split($c, TokenType::DELIM, '/');
        foreach ($groups as $i => $group) {
            $slot = ['border-image-slice', 'border-image-width', 'border-image-outset'][$i] ?? null;
            $kept = [];
            foreach ($group as $component) {
                if (! isset($parts['border-image-source']) && $this->takes('border-image-source', [$component])) {
                    $parts['border-image-source'] = [$component];
                } elseif ($this->takes('border-image-repeat', [$component])) {
                    $parts['border-image-repeat'][] = $component;
                } else {
                    $kept[] = $component;
                }
            }
            if ($kept === []) {
                continue;
            }
            if ($slot === null || ! $this->takes($slot, $kept)) {
                return null;
            }
            $parts[$slot] = $kept;
        }

        return $this->withInitials($parts, self::longhands('border-image'));
    }

    /**
     * @param  list<Component>  $value
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function font(array $value, array $c): ?array
    {
        $names = self::longhands('font');
        if (count($c) === 1 && $c[0]->isIdent() && in_array($c[0]->keyword(), ['caption', 'icon', 'menu', 'message-box', 'small-caption', 'status-bar'], true)) {
            return $this->withInitials([], $names);
        }
        $parts = [];
        $i = 0;
        for (; $i < count($c); $i++) {
            $taker = match (true) {
                $c[$i]->isIdent('normal') => '',
                $this->takes('font-style', [$c[$i]]) => 'font-style',
                $c[$i]->isIdent('small-caps') => 'font-variant-caps',
                $this->takes('font-weight', [$c[$i]]) => 'font-weight',
                $c[$i]->isIdent() && preg_match('/\A(?:ultra-|extra-|semi-)?(?:condensed|expanded)\z/', $c[$i]->keyword()) === 1 => 'font-stretch',
                default => null,
            };
            if ($taker === null) {
                break;
            }
            if ($taker === 'font-style' && isset($c[$i + 1]) && $this->takes('font-style', [$c[$i], $c[$i + 1]])) {
                $parts[$taker] = [$c[$i], $c[++$i]];
            } elseif ($taker !== '') {
                $parts[$taker] = [$c[$i]];
            }
        }
        if (! isset($c[$i]) || ! $this->takes('font-size', [$c[$i]])) {
            return null;
        }
        $parts['font-size'] = [$c[$i++]];
        if (isset($c[$i]) && $c[$i]->isDelim('/')) {
            if (! isset($c[$i + 1]) || ! $this->takes('line-height', [$c[$i + 1]])) {
                return null;
            }
            $parts['line-height'] = [$c[$i + 1]];
            $i += 2;
        }
        $family = array_slice($c, $i);
        if ($family === [] || ! $this->takes('font-family', $family)) {
            return null;
        }
        $parts['font-family'] = $family;

        return $this->withInitials($parts, $names);
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function listStyle(array $c): ?array
    {
        $parts = [];
        $nones = 0;
        foreach ($c as $component) {
            if ($component->isIdent('none')) {
                $nones++;

                continue;
            }
            $taker = null;
            foreach (self::longhands('list-style') as $name) {
                if (! isset($parts[$name]) && $this->takes($name, [$component])) {
                    $taker = $name;
                    break;
                }
            }
            if ($taker === null) {
                return null;
            }
            $parts[$taker] = [$component];
        }
        $none = Components::parse('none');
        if ($nones > 0) {
            $parts['list-style-type'] ??= $none;
            $parts['list-style-image'] ??= $none;
        }

        return $this->withInitials($parts, self::longhands('list-style'));
    }

    /**
     * @param  list<Component>  $c
     * @return ?Parts
     */
    private function whiteSpace(array $c): ?array
    {
        if (count($c) === 2) {
            usort($c, static fn (Component $a, Component $b): int => str_ends_with($a->text, 'wrap') <=> str_ends_with($b->text, 'wrap'));

            return in_array($c[0]->keyword(), ['collapse', 'preserve', 'preserve-breaks', 'break-spaces', 'preserve-spaces'], true) && in_array($c[1]->keyword(), ['wrap', 'nowrap'], true)
                ? ['white-space-collapse' => [$c[0]], 'text-wrap-mode' => [$c[1]]]
                : null;
        }
        $pair = count($c) !== 1 ? null : match ($c[0]->keyword()) {
            'normal' => ['collapse', 'wrap'],
            'pre' => ['preserve', 'nowrap'],
            'nowrap' => ['collapse', 'nowrap'],
            'pre-wrap' => ['preserve', 'wrap'],
            'pre-line' => ['preserve-breaks', 'wrap'],
            'break-spaces' => ['break-spaces', 'wrap'],
            default => null,
        };

        return $pair === null ? null : ['white-space-collapse' => Components::parse($pair[0]), 'text-wrap-mode' => Components::parse($pair[1])];
    }

    private static function comma(): Component
    {
        return new Component(TokenType::COMMA, ',', raw: ',');
    }
}
