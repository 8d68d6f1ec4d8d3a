<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** `bolder` and `lighter`: CSS Fonts 4, 2.2.1. */
final readonly class FontWeight implements Specified
{
    public function __construct(private bool $bolder)
    {
    }

    public function compute(Context $context): string
    {
        $parent = (float) ($context->parent['font-weight'] ?? 400);
        if ($this->bolder) {
            return (string) match (true) {
                $parent < 350 => 400,
                $parent < 550 => 700,
                $parent < 900 => 900,
                default => $parent,
            };
        }

        return (string) match (true) {
            $parent < 100 => $parent,
            $parent < 550 => 100,
            $parent < 750 => 400,
            default => 700,
        };
    }
}
