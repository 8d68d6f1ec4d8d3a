<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** An+B, CSS Syntax 3, section 6, with the selector list of `of`. */
final readonly class Nth
{
    public function __construct(public int $step, public int $offset, public ?SelectorList $of = null)
    {
    }

    /** Whether the 1-based position is A*n+B for some n >= 0. */
    public function accepts(int $position): bool
    {
        $difference = $position - $this->offset;

        return $this->step === 0 ? $difference === 0 : $difference % $this->step === 0 && intdiv($difference, $this->step) >= 0;
    }

    /** The text between the parentheses, before `of`; null where it is not An+B. */
    public static function parse(string $text): ?self
    {
        $text = strtolower(trim($text));
        if ($text === 'odd' || $text === 'even') {
            return new self(2, $text === 'odd' ? 1 : 0);
        }
        if (preg_match('/\A[+-]?\d+\z/', $text)) {
            return new self(0, (int) $text);
        }
        if (! preg_match('/\A([+-]?\d*)n(?:\s*([+-])\s*(\d+))?\z/', $text, $m)) {
            return null;
        }
        $step = match ($m[1]) {
            '', '+' => 1,
            '-' => -1,
            default => (int) $m[1],
        };

        return new self($step, isset($m[3]) ? (int) ($m[2].$m[3]) : 0);
    }
}
