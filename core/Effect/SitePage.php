<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Page;
use Insignum\Selector\States;
use Insignum\Selector\Wear;
use Insignum\Style\PageStyles;

/** A page of the site at its path (without a leading slash), with its styles under the theme alone. */
final class SitePage
{
    private ?PageStyles $resting = null;

    /**
     * @param  \Closure(States, Page, list<Wear>): PageStyles  $styles computed when first asked for
     * @param  list<Wear>  $wears  the sleeping states that the page has on
     */
    public function __construct(public readonly string $path, public readonly Page $page, private readonly \Closure $styles, private readonly array $wears = [])
    {
    }

    public function theme(States $states = new States): PageStyles
    {
        return $states->isResting() ? $this->resting ??= ($this->styles)($states, $this->page, $this->wears) : ($this->styles)($states, $this->page, $this->wears);
    }

    /** With sleeping states put on; itself where none of them has a place on this page. */
    public function wearing(Wear ...$wears): self
    {
        $page = $this->page;
        $worn = $this->wears;
        foreach ($wears as $wear) {
            $next = $wear->put($page);
            if ($next !== $page) {
                $worn[] = $wear;
            }
            $page = $next;
        }

        return $page === $this->page ? $this : new self($this->path, $page, $this->styles, $worn);
    }
}
