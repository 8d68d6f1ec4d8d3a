<?php

declare(strict_types=1);

namespace Insignum\Style;

/** A value that holds var() or env() and can be read only once an element's custom properties are known. */
final readonly class Pending
{
    /** @param  string  $name the property as written, which may be a shorthand */
    public function __construct(public string $name, public string $text)
    {
    }
}
