<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Something to tell a person: a code, a sentence, the bytes it is about, and where there is one, a fix. */
final readonly class Finding
{
    /**
     * @param  int  $start  byte offset in the source, 0 where there is none
     * @param  ?string  $fix  the text that would replace the bytes from $start to $end
     */
    public function __construct(
        public string $code,
        public Severity $severity,
        public string $message,
        public int $start = 0,
        public int $end = 0,
        public ?string $fix = null,
    ) {
    }
}
