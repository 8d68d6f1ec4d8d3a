<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** What looked like a whole rule in a sheet's outline stands in the midst of something else: the sheet is read token by token. */
final class BrokenOutline extends \RuntimeException
{
}
