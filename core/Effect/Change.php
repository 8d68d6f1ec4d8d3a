<?php

declare(strict_types=1);

namespace Insignum\Effect;

/** One element that comes to look different. `properties` maps each to its computed value before and after. */
final readonly class Change
{
    /** @param  array<string, array{string, string}>  $properties */
    public function __construct(
        public string $page,
        public int $element,
        public Cause $cause,
        public bool $meant,
        public array $properties,
        public ?string $pseudo = null,
    ) {
    }

    public function meant(): self
    {
        return new self($this->page, $this->element, $this->cause, true, $this->properties, $this->pseudo);
    }
}
