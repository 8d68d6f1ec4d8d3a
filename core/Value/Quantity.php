<?php

declare(strict_types=1);

namespace Insignum\Value;

/**
 * A sum of canonical units: `''` for numbers, `px`, `%`, `deg`, `s`, `dppx`, `fr`. `calc(50% + 2px)` is ['%' => 50, 'px' => 2].
 */
final readonly class Quantity
{
    /** @param  array<string, float>  $terms */
    public function __construct(public array $terms)
    {
    }

    public static function of(float $value, string $unit): self
    {
        return new self([$unit => $value]);
    }

    public function plus(self $other): self
    {
        $terms = $this->terms;
        foreach ($other->terms as $unit => $value) {
            $terms[$unit] = ($terms[$unit] ?? 0.0) + $value;
        }

        return new self($terms);
    }

    public function times(float $factor): self
    {
        return new self(array_map(static fn (float $value): float => $value * $factor, $this->terms));
    }

    /** The unit, where there is just one. */
    public function unit(): ?string
    {
        return count($this->terms) === 1 ? (string) array_key_first($this->terms) : null;
    }

    /** The value, where there is just one unit and it is the given one. */
    public function in(string $unit): ?float
    {
        return $this->unit() === $unit ? $this->terms[$unit] : null;
    }

    /** @return ?array{float, string} value and unit, where there is just one */
    public function single(): ?array
    {
        $unit = $this->unit();

        return $unit === null ? null : [$this->terms[$unit], $unit];
    }

    public function __toString(): string
    {
        $single = $this->single();
        if ($single !== null) {
            $value = Number::format($single[0]);
            $unit = $single[1];

            return is_finite($single[0]) ? $value.$unit : "calc($value".($unit === '' ? '' : " * 1$unit").')';
        }
        $terms = $this->terms;
        uksort($terms, static fn (string $a, string $b): int => ($b === '%') <=> ($a === '%') ?: $a <=> $b);
        $out = '';
        foreach ($terms as $unit => $value) {
            $out .= $out === '' ? Number::format($value).$unit : ($value < 0 ? ' - ' : ' + ').Number::format(abs($value)).$unit;
        }

        return "calc($out)";
    }
}
