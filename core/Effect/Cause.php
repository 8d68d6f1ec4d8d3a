<?php

declare(strict_types=1);

namespace Insignum\Effect;

enum Cause: string
{
    case Matched = 'matched';
    case Inherited = 'inherited';
}
