<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** Values joined by a separator, and wrapped into a function where it has a name. */
final readonly class Sequence implements Specified
{
    /** @param  list<Specified>  $parts */
    public function __construct(private array $parts, private string $separator, private string $function = '')
    {
    }

    public function compute(Context $context): string
    {
        $inside = implode($this->separator, array_map(static fn (Specified $part): string => $part->compute($context), $this->parts));

        return $this->function === '' ? $inside : "{$this->function}($inside)";
    }
}
