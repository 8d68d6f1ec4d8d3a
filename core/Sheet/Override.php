<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/**
 * Where (selector), when (width range, state), what (declarations), why (note).
 *
 * `meant` is the selector whose elements were meant when the reach was chosen; where it is empty, the selector itself says.
 * `state` is a user-action pseudo-class without its colon, or empty for resting.
 */
final readonly class Override implements SheetEntry
{
    public const STATES = ['hover', 'focus', 'focus-visible', 'focus-within', 'active'];

    /** @param  list<OverrideDeclaration>  $declarations */
    public function __construct(
        public string $id,
        public string $selector,
        public array $declarations = [],
        public string $note = '',
        public bool $enabled = true,
        public WidthRange $widths = new WidthRange,
        public string $state = '',
        public string $meant = '',
    ) {
    }

    public function id(): string
    {
        return $this->id;
    }

    /** The selector with the state at the end of each of its parts. */
    public function fullSelector(): string
    {
        if ($this->state === '') {
            return $this->selector;
        }

        return implode(', ', array_map(
            fn (string $part): string => (string) preg_replace('/(::[-\w]+(?:\([^)]*\))?)?\z/', ":{$this->state}\$1", trim($part), 1),
            SelectorText::split($this->selector),
        ));
    }

    /** @param  list<OverrideDeclaration>  $declarations */
    public function withDeclarations(array $declarations): self
    {
        return new self($this->id, $this->selector, $declarations, $this->note, $this->enabled, $this->widths, $this->state, $this->meant);
    }

    public function withSelector(string $selector): self
    {
        return new self($this->id, $selector, $this->declarations, $this->note, $this->enabled, $this->widths, $this->state, $this->meant);
    }

    public function withId(string $id): self
    {
        return new self($id, $this->selector, $this->declarations, $this->note, $this->enabled, $this->widths, $this->state, $this->meant);
    }

    public function switched(bool $enabled): self
    {
        return new self($this->id, $this->selector, $this->declarations, $this->note, $enabled, $this->widths, $this->state, $this->meant);
    }

    /** @return list<OverrideDeclaration> those that are on */
    public function active(): array
    {
        return array_values(array_filter($this->declarations, static fn (OverrideDeclaration $d): bool => $d->enabled));
    }
}
