<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Page;
use Insignum\Selector\States;
use Insignum\Style\PageStyles;

/** A page of the site at its path (without a leading slash), with its styles under the theme alone. */
final class SitePage
{
    private ?PageStyles $resting = null;

    /** @param  \Closure(States): PageStyles  $styles computed when first asked for */
    public function __construct(public readonly string $path, public readonly Page $page, private readonly \Closure $styles)
    {
    }

    public function theme(States $states = new States): PageStyles
    {
        return $states->isResting() ? $this->resting ??= ($this->styles)($states) : ($this->styles)($states);
    }
}
