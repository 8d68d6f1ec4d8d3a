<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Style\CompiledSheet;
use Insignum\Style\PageStyles;
use Insignum\Style\StyleSet;

/** The theme with an owner's sheet laid over it, for one page. Sets are shared by pages that link the same sheets. */
final class Overlay
{
    /** @var array<int, StyleSet> by the id of the theme's set, which the pages hold on to */
    private array $sets = [];

    public function __construct(public readonly CompiledSheet $sheet)
    {
    }

    public function on(PageStyles $theme): PageStyles
    {
        if ($this->sheet->isEmpty()) {
            return $theme;
        }
        $set = $this->sets[spl_object_id($theme->set)] ??= $theme->set->plus($this->sheet);

        return $theme->with($set);
    }
}
