<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Value\Number;

/** The width of a border or outline, snapped to whole device pixels but never to none: Backgrounds 3, 3.3. */
final readonly class LineWidth implements Specified
{
    private const KEYWORDS = ['thin' => 1.0, 'medium' => 3.0, 'thick' => 5.0];

    public function __construct(private string|Numeric $value)
    {
    }

    public static function isKeyword(string $keyword): bool
    {
        return isset(self::KEYWORDS[$keyword]);
    }

    public function compute(Context $context): string
    {
        $width = is_string($this->value) ? self::KEYWORDS[$this->value] : ($this->value->quantity($context->units)?->in('px') ?? 0.0);
        $snapped = $width <= 0 ? 0.0 : ($width < 1 ? 1.0 : floor($width + 0.00001));

        return Number::format($snapped).'px';
    }
}
