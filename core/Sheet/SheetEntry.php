<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** One entry of a sheet: an override, a heading, or a block of CSS kept as it is. */
interface SheetEntry
{
    /** Stays the same over edits, so that marks, notes and the screen can refer to it. */
    public function id(): string;
}
