<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** Selectors 4, section 17: three counts, compared one after the other and never packed into one number. */
final readonly class Specificity
{
    public function __construct(public int $a = 0, public int $b = 0, public int $c = 0)
    {
    }

    public function plus(self $other): self
    {
        return new self($this->a + $other->a, $this->b + $other->b, $this->c + $other->c);
    }

    /** Less than, equal to or greater than zero. */
    public function compare(self $other): int
    {
        return $this->toList() <=> $other->toList();
    }

    /** @return array{int, int, int} */
    public function toList(): array
    {
        return [$this->a, $this->b, $this->c];
    }

    public function __toString(): string
    {
        return "{$this->a},{$this->b},{$this->c}";
    }
}
