<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Value\Number;

/** A line height; numbers are inherited as numbers, percentages as the length they came to: CSS Inline 3, 4.2. */
final readonly class LineHeight implements Specified
{
    public function __construct(private Numeric $value)
    {
    }

    public function compute(Context $context): string
    {
        $quantity = $this->value->quantity($context->units);
        $number = $quantity?->in('');
        if ($number !== null) {
            return Number::format(max(0.0, $number));
        }
        $terms = $quantity->terms ?? [];

        return Number::format(max(0.0, ($terms['px'] ?? 0.0) + ($terms['%'] ?? 0.0) * $context->units->em / 100)).'px';
    }
}
