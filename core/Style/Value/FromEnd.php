<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Value\Quantity;

/** An offset from the right or bottom edge, written as one from the left or top: Backgrounds 3, 2.6. */
final readonly class FromEnd implements Specified
{
    public function __construct(private Numeric $offset)
    {
    }

    public function compute(Context $context): string
    {
        $offset = $this->offset->quantity($context->units) ?? Quantity::of(0.0, 'px');
        $sum = Quantity::of(100.0, '%')->plus($offset->times(-1));

        return (string) ($sum->terms['%'] == 0.0 && count($sum->terms) > 1 ? new Quantity(['px' => $sum->terms['px'] ?? 0.0]) : $sum);
    }
}
