<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** A selector under consideration: its text, what it takes, its cost, and what speaks against it. */
final readonly class Option
{
    /** @param  list<string>  $reasons */
    public function __construct(public string $text, public string $set, public float $cost, public array $reasons = [])
    {
    }

    public static function of(Part $part): self
    {
        return new self($part->text, $part->set, $part->cost, $part->reason === null ? [] : [$part->reason]);
    }

    /** With one more simple selector on the same element. */
    public function and(Part $part, float $cost = 0.0): self
    {
        return new self($this->text.$part->text, $this->set & $part->set, $this->cost + $part->cost + $cost, $this->reasons($part));
    }

    /** Below, beside or inside what a part takes; `$around` is the set of all that stand so. */
    public function within(Part $part, string $combinator, string $around, float $cost): self
    {
        return new self($part->text.$combinator.$this->text, $this->set & $around, $this->cost + $part->cost + $cost, $this->reasons($part));
    }

    /** @return list<string> */
    private function reasons(Part $part): array
    {
        return $part->reason === null ? $this->reasons : array_values(array_unique([...$this->reasons, $part->reason]));
    }
}
