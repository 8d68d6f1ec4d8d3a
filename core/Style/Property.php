<?php

declare(strict_types=1);

namespace Insignum\Style;

/** One row of the property table. */
final readonly class Property
{
    /** @param  list<string>  $keywords that the grammar takes */
    public function __construct(
        public string $name,
        public bool $inherited,
        public string $initial,
        public string $grammar,
        public array $keywords,
    ) {
    }
}
