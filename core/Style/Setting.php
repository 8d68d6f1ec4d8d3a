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
    /** @param  bool  $flows  whether `property`, which is as in left-to-right text, lies on the other side in right-to-left text */
    public function __construct(
        public string $property,
        public Specified|WideKeyword|Pending|string $value,
        public bool $important,
        public Declaration $declaration,
        public bool $flows = false,
    ) {
    }

    public function propertyIn(bool $rightToLeft): string
    {
        return $rightToLeft && $this->flows ? strtr($this->property, ['left' => 'right', 'right' => 'left']) : $this->property;
    }
}
