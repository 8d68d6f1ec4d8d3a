<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** A range of viewport widths in CSS pixels, both ends included; null for an open end. */
final readonly class WidthRange
{
    public function __construct(public ?int $from = null, public ?int $to = null)
    {
    }

    public function isAny(): bool
    {
        return $this->from === null && $this->to === null;
    }

    public function has(int $width): bool
    {
        return $this->nearest($width) === $width;
    }

    public function contains(self $other): bool
    {
        return $this->start() <= $other->start() && $this->end() >= $other->end();
    }

    public function overlaps(self $other): bool
    {
        return $this->start() <= $other->end() && $other->start() <= $this->end();
    }

    /** Both as one range; null where there is a gap between them. */
    public function joined(self $other): ?self
    {
        if (max($this->start(), $other->start()) - 1 > min($this->end(), $other->end())) {
            return null;
        }

        return new self(
            $this->from === null || $other->from === null ? null : min($this->from, $other->from),
            $this->to === null || $other->to === null ? null : max($this->to, $other->to),
        );
    }

    /** How many widths it takes in; an open end counts as far as any screen goes. */
    public function span(): int
    {
        return $this->end() - $this->start();
    }

    /** The width itself where it is in the range, else the nearest one that is. */
    public function nearest(int $width): int
    {
        return max($this->from ?? 0, min($this->to ?? $width, $width));
    }

    public function media(): string
    {
        return implode(' and ', array_filter([
            $this->from === null ? null : "(min-width: {$this->from}px)",
            $this->to === null ? null : "(max-width: {$this->to}px)",
        ]));
    }

    /** From a media query that asks for nothing but a width in px; null for any other. */
    public static function parse(string $media): ?self
    {
        if (! preg_match('/\A\s*(?:(?:all|screen|only screen)\s+and\s+)?(?:\(\s*min-width\s*:\s*(\d+)px\s*\))?(?:\s*and\s*)?(?:\(\s*max-width\s*:\s*(\d+)px\s*\))?\s*\z/i', $media, $m)) {
            return null;
        }
        $range = new self(($m[1] ?? '') === '' ? null : (int) $m[1], ($m[2] ?? '') === '' ? null : (int) $m[2]);

        return $range->isAny() || preg_replace('/\s+/', '', $range->media()) !== preg_replace('/\s+/', '', $media) ? null : $range;
    }

    private function start(): int
    {
        return $this->from ?? 0;
    }

    private function end(): int
    {
        return $this->to ?? 100_000;
    }
}
