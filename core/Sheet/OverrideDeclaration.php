<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** A declaration of an override; switched off, it is kept and not written into what goes live. */
final readonly class OverrideDeclaration
{
    /** @param  ?WidthRange  $widths  at which it counts, where those aren't the ones of its override */
    public function __construct(public string $name, public string $value, public bool $important = false, public bool $enabled = true, public ?WidthRange $widths = null)
    {
    }

    public function css(): string
    {
        return "{$this->name}: {$this->value}".($this->important ? ' !important' : '').';';
    }

    /** Whether both are written alike, wherever they count. */
    public function says(self $other): bool
    {
        return $this->css() === $other->css();
    }

    public function at(?WidthRange $widths): self
    {
        return new self($this->name, $this->value, $this->important, $this->enabled, $widths);
    }

    public function named(string $name): self
    {
        return new self($name, $this->value, $this->important, $this->enabled, $this->widths);
    }

    public function marked(bool $important): self
    {
        return new self($this->name, $this->value, $important, $this->enabled, $this->widths);
    }
}
