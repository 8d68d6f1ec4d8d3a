<?php

declare(strict_types=1);

namespace Insignum\Style;

/** Where compiled sheets come from. Implementations read and may cache by content; the core itself does no I/O. */
interface Library
{
    /** The sheet at a path of the site, as `/css/theme.css`; null where there is none. */
    public function sheet(string $path): ?CompiledSheet;

    /** A sheet written in a page, or a draft: compiled, `url()` relative to $path. */
    public function compile(string $css, string $path): CompiledSheet;
}
