<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Syntax\Component;
use Insignum\Value\Calculation;
use Insignum\Value\Quantity;
use Insignum\Value\Units;

/** A number, length, percentage, angle or a calculation of them; kept within bounds where the property has some. */
final readonly class Numeric implements Specified
{
    /** The longest length that browsers keep, in px: what fits in 32 bits of 64ths. */
    private const LONGEST = 2147483647 / 64 - 2;

    public function __construct(private Component $component, private ?Calculation $calculation, private ?float $least = null, private ?float $most = null)
    {
    }

    public function compute(Context $context): string
    {
        $quantity = $this->quantity($context->units);

        return $quantity === null ? (string) $this->calculation?->serialise($context->units) : (string) $quantity;
    }

    /** As written; empty for a calculation. */
    public function unit(): string
    {
        return $this->component->unit;
    }

    /** In canonical units; null where it depends on layout. */
    public function quantity(Units $units): ?Quantity
    {
        $quantity = $this->calculation === null ? $units->resolve($this->component->number, $this->component->unit) : $this->calculation->resolve($units);
        $single = $quantity?->single();
        if ($single === null) {
            return $quantity;
        }
        $limit = $single[1] === 'px' ? self::LONGEST : INF;
        $value = max($this->least ?? -$limit, min($this->most ?? $limit, $single[0]));

        return Quantity::of($value, $single[1]);
    }
}
