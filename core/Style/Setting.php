<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Style\Value\Specified;
use Insignum\Syntax\Declaration;

/**
 * What one declaration says about one longhand.
 *
 * `value` is a specified value; a CSS-wide keyword; a Pending value, where it holds var(); or the text as written, for
 * custom properties and for properties without a grammar here.
 */
final readonly class Setting
{
    public function __construct(
        public string $property,
        public Specified|WideKeyword|Pending|string $value,
        public bool $important,
        public Declaration $declaration,
    ) {
    }
}
