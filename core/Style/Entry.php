<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\ComplexSelector;

/** One selector of one rule at its place in the cascade of a page. */
final readonly class Entry
{
    /**
     * @param  list<MediaList>  $media  conditions of the link or import that brought the sheet
     * @param  int  $layer  rank of its layer, higher for later ones; UNLAYERED above all
     */
    public function __construct(
        public StyleRule $rule,
        public ComplexSelector $selector,
        public CompiledSheet $sheet,
        public Origin $origin,
        public array $media,
        public int $layer,
        public int $order,
    ) {
    }

    public function accepts(Condition $condition): bool
    {
        foreach ($this->media as $media) {
            if (! $media->accepts($condition)) {
                return false;
            }
        }

        return $this->rule->accepts($condition);
    }
}
