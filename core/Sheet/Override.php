<?php

declare(strict_types=1);

namespace Insignum\Sheet;

use Insignum\Selector\SelectorText;
use Insignum\Selector\Wear;

/**
 * Where (selector), when (width range, state), what (declarations), why (note).
 *
 * A declaration counts at the override's widths, or at its own.
 * `meant` is the selector whose elements were meant when the reach was chosen; where it is empty, the selector itself says.
 * `state` is a user-action pseudo-class without its colon, or empty for resting. `wears` are the sleeping states that it is
 * for, and that are put on when it is looked at; its selector names them itself. `marks` are the examples it was aimed from.
 */
final readonly class Override implements SheetEntry
{
    public const STATES = ['hover', 'focus', 'focus-visible', 'focus-within', 'active', 'target'];

    /**
     * @param  list<OverrideDeclaration>  $declarations
     * @param  list<Wear>  $wears
     * @param  list<Mark>  $marks
     */
    public function __construct(
        public string $id,
        public string $selector,
        public array $declarations = [],
        public string $note = '',
        public bool $enabled = true,
        public WidthRange $widths = new WidthRange,
        public string $state = '',
        public string $meant = '',
        public array $wears = [],
        public array $marks = [],
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
        return $this->but(['declarations' => $declarations]);
    }

    public function withSelector(string $selector): self
    {
        return $this->but(['selector' => $selector]);
    }

    public function withId(string $id): self
    {
        return $this->but(['id' => $id]);
    }

    public function withNote(string $note): self
    {
        return $this->but(['note' => $note]);
    }

    public function meaning(string $selector): self
    {
        return $this->but(['meant' => $selector]);
    }

    /** @param  list<Mark>  $marks */
    public function withMarks(array $marks): self
    {
        return $this->but(['marks' => $marks]);
    }

    /** The state is left to whoever puts it on. */
    public function atRest(): self
    {
        return $this->but(['state' => '']);
    }

    public function switched(bool $enabled): self
    {
        return $this->but(['enabled' => $enabled]);
    }

    /** @return list<array{WidthRange, list<OverrideDeclaration>}> as they are written: the widest range first */
    public function byWidth(): array
    {
        return WidthValues::of($this);
    }

    /** @return non-empty-list<WidthRange> in which it has values that are on; its own where it has none */
    public function ranges(): array
    {
        $ranges = [];
        foreach ($this->byWidth() as [$range, $declarations]) {
            if (array_filter($declarations, static fn (OverrideDeclaration $d): bool => $d->enabled) !== []) {
                $ranges[] = $range;
            }
        }

        return $ranges ?: [$this->widths];
    }

    /** The width itself where the override has a value at it, else the nearest one at which it has. */
    public function nearest(int $width): int
    {
        $nearest = array_map(static fn (WidthRange $r): int => $r->nearest($width), $this->ranges());
        usort($nearest, static fn (int $a, int $b): int => abs($a - $width) <=> abs($b - $width));

        return $nearest[0];
    }

    /** @return list<OverrideDeclaration> those that are on and count at a width, in the order in which they are written */
    public function at(int $width): array
    {
        $all = [];
        foreach ($this->byWidth() as [$range, $declarations]) {
            array_push($all, ...($range->has($width) ? array_filter($declarations, static fn (OverrideDeclaration $d): bool => $d->enabled) : []));
        }

        return $all;
    }

    /** The widths at which one of its declarations counts. */
    public function rangeOf(OverrideDeclaration $declaration): WidthRange
    {
        return $declaration->widths ?? $this->widths;
    }

    /** @return list<OverrideDeclaration> those that are on */
    public function active(): array
    {
        return array_values(array_filter($this->declarations, static fn (OverrideDeclaration $d): bool => $d->enabled));
    }

    /** @param  array<string, mixed>  $changes */
    private function but(array $changes): self
    {
        return new self(...[...get_object_vars($this), ...$changes]);
    }
}
