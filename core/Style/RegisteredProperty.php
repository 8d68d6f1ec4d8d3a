<?php

declare(strict_types=1);

namespace Insignum\Style;

/** `@property`: Properties and Values 1, section 2. `initial` is null where the syntax is `*` and none is given. */
final readonly class RegisteredProperty
{
    public function __construct(public string $syntax, public bool $inherits, public ?string $initial)
    {
    }
}
