<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** A site's overrides in order, with headings and raw blocks. Every change gives a new sheet. */
final readonly class Sheet
{
    /** @param  list<SheetEntry>  $entries */
    public function __construct(public array $entries = [])
    {
    }

    public function find(string $id): ?SheetEntry
    {
        foreach ($this->entries as $entry) {
            if ($entry->id() === $id) {
                return $entry;
            }
        }

        return null;
    }

    /** In the place of the entry with the same id, or at the end. */
    public function with(SheetEntry $new): self
    {
        $entries = $this->entries;
        foreach ($entries as $i => $entry) {
            if ($entry->id() === $new->id()) {
                $entries[$i] = $new;

                return new self($entries);
            }
        }

        return new self([...$entries, $new]);
    }

    public function without(string $id): self
    {
        return new self(array_values(array_filter($this->entries, static fn (SheetEntry $e): bool => $e->id() !== $id)));
    }

    /** To a position counted from 0 in the sheet without it. */
    public function moved(string $id, int $position): self
    {
        $entry = $this->find($id);
        if ($entry === null) {
            return $this;
        }
        $rest = $this->without($id)->entries;
        array_splice($rest, max(0, min($position, count($rest))), 0, [$entry]);

        return new self($rest);
    }

    /** @return list<Override> those that are on */
    public function active(): array
    {
        return array_values(array_filter($this->entries, static fn (SheetEntry $e): bool => $e instanceof Override && $e->enabled));
    }
}
