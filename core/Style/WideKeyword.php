<?php

declare(strict_types=1);

namespace Insignum\Style;

/** CSS-wide keywords: Cascade 5, section 7.3. */
enum WideKeyword: string
{
    case Initial = 'initial';
    case Inherit = 'inherit';
    case Unset = 'unset';
    case Revert = 'revert';
    case RevertLayer = 'revert-layer';
}
