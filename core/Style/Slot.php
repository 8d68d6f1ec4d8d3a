<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;

/**
 * What a browser puts between an element and its parent: HTML, 15.5, has `<details>`, `<select>` and others show their
 * children through slots of their own, which inherit what inherits and have initial values otherwise.
 */
enum Slot
{
    case None;

    /** A slot without a box: children are laid out as if it weren't there. */
    case Contents;

    /** A slot with a box around the children. */
    case Box;

    public static function above(Page $page, int $element): self
    {
        $parent = $page->parents[$element];

        return match ($parent < 0 ? '' : $page->tags[$parent]) {
            'details' => $page->tags[$element] === 'summary' ? self::Contents : self::Box,
            'select', 'optgroup', 'object' => self::Box,
            default => self::None,
        };
    }
}
