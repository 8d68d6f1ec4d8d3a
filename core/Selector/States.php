<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** Which user-action states are on, and for which elements. By default none is. */
final readonly class States
{
    /** @param  array<string, array<int, true>>  $on state name (`hover`, `focus`, …) to elements */
    public function __construct(private array $on = [])
    {
    }

    public static function none(): self
    {
        return new self;
    }

    public function with(string $state, int ...$elements): self
    {
        return new self([...$this->on, $state => array_fill_keys($elements, true)]);
    }

    public function isOn(string $state, int $element): bool
    {
        return isset($this->on[$state][$element]);
    }

    public function isResting(): bool
    {
        return $this->on === [];
    }
}
