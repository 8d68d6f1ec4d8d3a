<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * What is written about a background or a shadow, taken apart into its layers, so that each part can be changed by itself.
 *
 * @phpstan-type Stop array{colour: string, at: string}
 * @phpstan-type Gradient array{name: string, head: string, stops: list<Stop>}
 * @phpstan-type Layer array{image: string, address: ?string, gradient: ?Gradient, size: string, position: array{string, string}, repeat: string, attachment: string, origin: string, clip: string, blend: string}
 */
final class LayerReader
{
    /** Of a layer, each with its initial value: Backgrounds 3, section 3; Compositing 1, section 9. */
    private const PARTS = [
        'background-size' => 'auto', 'background-position-x' => '0%', 'background-position-y' => '0%', 'background-repeat' => 'repeat', 'background-attachment' => 'scroll',
        'background-origin' => 'padding-box', 'background-clip' => 'border-box', 'background-blend-mode' => 'normal',
    ];

    public function __construct(private readonly Shorthands $shorthands)
    {
    }

    /**
     * @param  array<string, string>  $declarations  values by property, in the order in which they are written
     * @return list<Layer> the topmost first; empty where no image is written, or one that can't be read
     */
    public function backgrounds(array $declarations): array
    {
        $longhands = [];
        foreach ($declarations as $name => $value) {
            $longhands = [...$longhands, ...$this->longhands($name, $value)];
        }
        $images = array_filter(Components::split(Components::dense($longhands['background-image'] ?? [])));
        $layers = [];
        foreach (array_values($images) as $i => $components) {
            if (count($components) !== 1 || $components[0]->isIdent('none')) {
                continue;
            }
            $part = static function (string $name) use ($longhands, $i): string {
                $values = array_values(array_filter(Components::split(Components::dense($longhands[$name] ?? []))));

                return $values === [] ? self::PARTS[$name] : self::text($values[$i % count($values)]);
            };
            $layers[] = [
                'image' => $components[0]->raw,
                'address' => self::address($components[0]),
                'gradient' => self::gradient($components[0]),
                'size' => $part('background-size'),
                'position' => [$part('background-position-x'), $part('background-position-y')],
                'repeat' => $part('background-repeat'),
                'attachment' => $part('background-attachment'),
                'origin' => $part('background-origin'),
                'clip' => $part('background-clip'),
                'blend' => $part('background-blend-mode'),
            ];
        }

        return $layers;
    }

    /** @return list<array{x: string, y: string, blur: string, spread: string, colour: string, inset: bool}> the topmost first */
    public static function shadows(string $value): array
    {
        $shadows = [];
        foreach (array_filter(Components::split(Components::dense(Components::parse($value)))) as $components) {
            $lengths = array_values(array_filter($components, static fn (Component $c): bool => in_array($c->type, [TokenType::DIMENSION, TokenType::NUMBER], true) || $c->isFunction('calc')));
            $colour = array_values(array_filter($components, static fn (Component $c): bool => ! in_array($c, $lengths, true) && ! $c->isIdent('inset')));
            if (count($lengths) < 2 || count($colour) > 1) {
                continue;
            }
            $shadows[] = [
                'x' => $lengths[0]->raw, 'y' => $lengths[1]->raw, 'blur' => ($lengths[2] ?? null)->raw ?? '0', 'spread' => ($lengths[3] ?? null)->raw ?? '0',
                'colour' => ($colour[0] ?? null)->raw ?? 'currentcolor', 'inset' => array_filter($components, static fn (Component $c): bool => $c->isIdent('inset')) !== [],
            ];
        }

        return $shadows;
    }

    /** @return array<string, list<Component>> */
    private function longhands(string $name, string $value): array
    {
        $name = Shorthands::alias($name);
        $components = Components::parse($value);
        if (Shorthands::longhands($name) === []) {
            return [$name => $components];
        }

        return $name === 'background' || $name === 'background-position' ? $this->shorthands->expand($name, $components) ?? [] : [];
    }

    private static function address(Component $c): ?string
    {
        return match (true) {
            $c->type === TokenType::URL => $c->text,
            $c->isFunction('url') => ($c->children[0] ?? null)?->text,
            default => null,
        };
    }

    /** @return ?Gradient */
    private static function gradient(Component $c): ?array
    {
        if ($c->type !== TokenType::FUNCTION || preg_match('/\A(?:repeating-)?(?:linear|radial|conic)-gradient\z/i', $c->text) !== 1) {
            return null;
        }
        $parts = array_map(Components::dense(...), Components::split($c->children));
        $head = '';
        if ($parts !== [] && PaletteReader::in(self::text($parts[0])) === [] && ! self::hasVariable($parts[0])) {
            $head = self::text(array_shift($parts));
        }
        $stops = [];
        foreach ($parts as $part) {
            $at = array_values(array_filter($part, static fn (Component $p): bool => in_array($p->type, [TokenType::PERCENTAGE, TokenType::DIMENSION, TokenType::NUMBER], true)));
            $colour = array_values(array_filter($part, static fn (Component $p): bool => ! in_array($p, $at, true)));
            if (count($colour) > 1) {
                return null;
            }
            $stops[] = ['colour' => ($colour[0] ?? null)->raw ?? '', 'at' => self::text($at)];
        }

        return ['name' => $c->keyword(), 'head' => $head, 'stops' => $stops];
    }

    /** @param  list<Component>  $components */
    private static function hasVariable(array $components): bool
    {
        return array_filter($components, static fn (Component $c): bool => $c->isFunction('var') || $c->isIdent('currentcolor')) !== [];
    }

    /** @param  list<Component>  $components */
    private static function text(array $components): string
    {
        return implode(' ', array_map(static fn (Component $c): string => $c->raw !== '' ? $c->raw : $c->text, $components));
    }
}
