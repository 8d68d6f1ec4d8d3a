<?php

declare(strict_types=1);

namespace Insignum\Style;

/** Where a declaration comes from: Cascade 5, section 6.2; hints are the presentational attributes of 6.1. */
enum Origin: string
{
    case Browser = 'browser';
    case Hint = 'hint';
    case Author = 'author';
    case Inline = 'inline';
}
