<?php

declare(strict_types=1);

namespace Insignum\Page;

/** One stylesheet of a page: linked (`address` is set, as written) or written in the page (`css` is set). */
final readonly class StyleSource
{
    public function __construct(public ?string $address, public ?string $css, public string $media)
    {
    }
}
