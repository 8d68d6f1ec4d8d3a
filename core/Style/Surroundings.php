<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\SelectorList;

/** What stands around a rule while a sheet is compiled. */
final readonly class Surroundings
{
    /** @param  list<MediaList>  $media */
    public function __construct(
        public ?SelectorList $parent = null,
        public int $parentOffset = 0,
        public array $media = [],
        public string $layer = '',
        public ?string $container = null,
        public ?ScopeRange $scope = null,
    ) {
    }

    public function inside(SelectorList $parent, int $offset): self
    {
        return new self($parent, $offset, $this->media, $this->layer, $this->container, $this->scope);
    }

    public function with(?MediaList $media = null, ?string $layer = null, ?string $container = null, ?ScopeRange $scope = null): self
    {
        return new self(
            $this->parent,
            $this->parentOffset,
            $media === null ? $this->media : [...$this->media, $media],
            $layer ?? $this->layer,
            $container ?? $this->container,
            $scope ?? $this->scope,
        );
    }
}
