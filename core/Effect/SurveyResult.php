<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Style\PageStyles;

/** `reach` lists the elements by page; `before` and `after` hold the styles of the pages that are concerned. */
final readonly class SurveyResult
{
    /**
     * @param  array<string, list<int>>  $reach
     * @param  list<Change>  $changes
     * @param  array<string, PageStyles>  $before
     * @param  array<string, PageStyles>  $after
     */
    public function __construct(public array $reach, public array $changes, public array $before, public array $after, public MarkedElements $marked = new MarkedElements)
    {
    }

    /** The viewport width that it was looked at in; null where nothing was reached. */
    public function width(): ?int
    {
        return (array_values($this->after)[0] ?? null)?->condition->width;
    }

    public function reached(): int
    {
        return array_sum(array_map(count(...), $this->reach));
    }

    /** @return list<Change> what changed without being meant, and was not accepted either */
    public function spill(): array
    {
        return array_values(array_filter($this->changes, fn (Change $c): bool => ! $c->meant && ! $this->marked->isAccepted($c->page, $c->element)));
    }

    /** @return list<Change> what changed without being meant, and was accepted */
    public function accepted(): array
    {
        return array_values(array_filter($this->changes, fn (Change $c): bool => ! $c->meant && $this->marked->isAccepted($c->page, $c->element)));
    }
}
