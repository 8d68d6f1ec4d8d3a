<?php

declare(strict_types=1);

namespace Insignum\Aim;

/**
 * A selector under consideration: it takes all that is meant.
 *
 * Which of the elements to be kept it takes is known from the elements themselves, one bit for each; what it takes of the
 * whole site is worked out only when asked for.
 */
final class Option
{
    private ?string $set = null;

    /**
     * @param  non-empty-list<\Closure(): string>  $sets  of which it takes what is in all
     * @param  int  $kept  bits of the elements to be kept that it takes
     * @param  list<string>  $reasons  what speaks against it
     * @param  bool  $isPlaced  whether a part of it goes by position
     */
    public function __construct(public readonly string $text, private readonly array $sets, public readonly int $kept, public readonly float $cost, public readonly array $reasons = [], public readonly bool $isPlaced = false)
    {
    }

    public static function of(Part $part, int $kept): self
    {
        return new self($part->text, [$part->set(...)], $kept, $part->cost, $part->reason === null ? [] : [$part->reason], $part->isPlace);
    }

    /** With one more simple selector on the same element. */
    public function and(Part $part, int $kept, float $cost = 0.0): self
    {
        return new self($this->text.$part->text, [...$this->sets, $part->set(...)], $this->kept & $kept, $this->cost + $part->cost + $cost, $this->reasons($part), $this->isPlaced || $part->isPlace);
    }

    /** Below, beside or inside what a part takes. */
    public function within(Surrounding $around): self
    {
        return new self($around->part->text.$around->combinator.$this->text, [...$this->sets, $around->set], $this->kept & $around->kept, $this->cost + $around->cost(), $this->reasons($around->part), $this->isPlaced || $around->part->isPlace);
    }

    public function set(): string
    {
        if ($this->set === null) {
            $set = $this->sets[0]();
            foreach (array_slice($this->sets, 1) as $other) {
                $set &= $other();
            }
            $this->set = $set;
        }

        return $this->set;
    }

    /** @return list<string> */
    private function reasons(Part $part): array
    {
        return $part->reason === null ? $this->reasons : array_values(array_unique([...$this->reasons, $part->reason]));
    }
}
