<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Value\Number;

/** Font size keywords and percentages: CSS Fonts 4, 2.5. Lengths in em are relative to the parent, as the context has it. */
final readonly class FontSize implements Specified
{
    private const KEYWORDS = ['xx-small' => 9, 'x-small' => 10, 'small' => 13, 'medium' => 16, 'large' => 18, 'x-large' => 24, 'xx-large' => 32, 'xxx-large' => 48];

    public function __construct(private string|Numeric $value)
    {
    }

    public static function isKeyword(string $keyword): bool
    {
        return isset(self::KEYWORDS[$keyword]) || in_array($keyword, ['larger', 'smaller', 'math'], true);
    }

    public function isRelativeToParent(): bool
    {
        return is_string($this->value) ? in_array($this->value, ['larger', 'smaller', 'math'], true) : in_array($this->value->unit(), ['em', '%', 'ex', 'ch'], true);
    }

    /** A length that has nothing to do with the parent's size. */
    public function isAbsolute(): bool
    {
        return ! is_string($this->value) && ! $this->isRelativeToParent();
    }

    public function compute(Context $context): string
    {
        return Number::format($this->pixels($context)).'px';
    }

    public function pixels(Context $context): float
    {
        $parent = $context->units->em;
        if (is_string($this->value)) {
            return match ($this->value) {
                'larger' => $parent * 1.2,
                'smaller' => $parent / 1.2,
                'math' => $parent,
                default => (float) self::KEYWORDS[$this->value],
            };
        }
        $terms = $this->value->quantity($context->units)->terms ?? [];

        return max(0.0, ($terms['px'] ?? 0.0) + ($terms['%'] ?? 0.0) * $parent / 100);
    }
}
