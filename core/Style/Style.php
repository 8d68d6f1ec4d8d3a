<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Colour\Colour;
use Insignum\Colour\Space;

/**
 * The computed style of an element, shared by all elements that come to the same one.
 *
 * `values` hold `currentcolor` where the computed value is that keyword, as it is inherited like that; `value` resolves it.
 */
final class Style
{
    /** @var ?array<string, string> */
    private ?array $handedDown = null;

    /**
     * @param  array<string, string>  $values  by longhand
     * @param  array<string, string>  $custom  custom properties, var() resolved
     * @param  float  $fontSize  in px
     * @param  array<string, string>  $carried  properties without a computed value here, as they were written, var() put in
     */
    public function __construct(
        public readonly array $values,
        public readonly array $custom,
        public readonly float $fontSize,
        public readonly Colour $colour,
        public readonly bool $dark,
        public readonly bool $absoluteSize = false,
        public readonly array $carried = [],
    ) {
    }

    /**
     * In plain data, for keeping.
     *
     * @return array{array<string, string>, array<string, string>, float, array{string, array{?float, ?float, ?float}, ?float, bool}, bool, bool, array<string, string>}
     */
    public function pack(): array
    {
        return [$this->values, $this->custom, $this->fontSize, [$this->colour->space->value, $this->colour->components, $this->colour->alpha, $this->colour->legacy], $this->dark, $this->absoluteSize, $this->carried];
    }

    /** @param  array{array<string, string>, array<string, string>, float, array{string, array{?float, ?float, ?float}, ?float, bool}, bool, bool, array<string, string>}  $packed */
    public static function unpack(array $packed): self
    {
        return new self($packed[0], $packed[1], $packed[2], new Colour(Space::from($packed[3][0]), $packed[3][1], $packed[3][2], $packed[3][3]), $packed[4], $packed[5], $packed[6]);
    }

    /** The computed value as getComputedStyle gives it; null for a property without one here. */
    public function value(string $property): ?string
    {
        if ($property === 'background-position') {
            return $this->backgroundPosition();
        }
        $value = $this->values[$property] ?? null;
        if ($value !== null && str_contains($value, 'currentcolor')) {
            return str_replace('currentcolor', (string) $this->colour, $value);
        }
        if ($value !== null && str_starts_with($property, 'background-') && $property !== 'background-color' && $property !== 'background-image') {
            return $this->layered($value);
        }

        return $value;
    }

    /** @return array<string, string> the tracked properties, in their order */
    public function tracked(): array
    {
        $out = [];
        foreach (PropertyTable::TRACKED as $property) {
            $out[$property] = $this->value($property) ?? '';
        }

        return $out;
    }

    /**
     * What a child starts from: inherited values as they are here, all others initial.
     *
     * @param  array<string, string>  $initial
     * @param  array<string, Property>  $properties
     * @return array<string, string>
     */
    public function handedDown(array $initial, array $properties): array
    {
        if ($this->handedDown === null) {
            $this->handedDown = $initial;
            foreach ($properties as $name => $property) {
                if ($property->inherited) {
                    $this->handedDown[$name] = $this->values[$name];
                }
            }
        }

        return $this->handedDown;
    }

    /**
     * As a slot has it that stands in this element.
     *
     * @param  array<string, string>  $values
     */
    public function throughSlot(array $values): self
    {
        return new self($values, $this->custom, $this->fontSize, $this->colour, $this->dark, $this->absoluteSize, array_intersect_key($this->carried, PropertyTable::CARRIED_DOWN));
    }

    /** As many values as there are image layers: browsers cut longer lists and repeat shorter ones. */
    private function layered(string $value): string
    {
        $wanted = count(self::split($this->values['background-image']));
        $parts = self::split($value);
        $have = count($parts);

        if ($have === $wanted) {
            return $value;
        }
        // Where Chromium repeats a position it forgets that the offset counted from the far edge.
        $again = static fn (string $part): string => (string) preg_replace('/\Acalc\(100% - (\S+)\)\z/', '$1', $part);

        return implode(', ', array_map(static fn (int $i): string => $i < $have ? $parts[$i] : $again($parts[$i % $have]), range(0, $wanted - 1)));
    }

    private function backgroundPosition(): string
    {
        $x = self::split($this->layered($this->values['background-position-x']));
        $y = self::split($this->layered($this->values['background-position-y']));

        return implode(', ', array_map(static fn (string $one, string $two): string => "$one $two", $x, $y));
    }

    /** @return non-empty-list<string> */
    private static function split(string $value): array
    {
        if (! str_contains($value, ',')) {
            return [$value];
        }
        $parts = [''];
        $depth = 0;
        $quoted = false;
        foreach (str_split($value) as $char) {
            $quoted = $char === '"' ? ! $quoted : $quoted;
            $depth += $quoted ? 0 : ($char === '(' ? 1 : ($char === ')' ? -1 : 0));
            if ($char === ',' && $depth === 0 && ! $quoted) {
                $parts[] = '';
            } else {
                $parts[array_key_last($parts)] .= $char;
            }
        }

        return array_map(trim(...), $parts);
    }
}
