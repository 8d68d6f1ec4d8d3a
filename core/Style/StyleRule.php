<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\SelectorList;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\PlainBlock;

/** A rule as the cascade needs it: selectors, declarations, and the conditions under which it counts. Values are read when first asked for. */
final class StyleRule
{
    private ?bool $hasImportant = null;

    /** @var ?list<Setting> */
    private ?array $settings = null;

    /**
     * @param  list<Declaration>|PlainBlock  $block
     * @param  list<MediaList>  $media  all of which must hold
     * @param  string  $layer  dotted path; empty for none
     * @param  ?string  $container  the condition of a container query around it, which depends on layout
     * @param  int  $offset  of its first byte in its sheet
     */
    public function __construct(
        public readonly SelectorList $selectors,
        private array|PlainBlock $block,
        public readonly array $media,
        public readonly string $layer,
        public readonly ?string $container,
        public readonly ?ScopeRange $scope,
        public readonly int $offset,
    ) {
    }

    public function hasImportant(): bool
    {
        return $this->hasImportant ??= array_filter($this->declarations(), static fn (Declaration $d): bool => $d->important) !== [];
    }

    /** @return list<Declaration> */
    public function declarations(): array
    {
        return $this->block = $this->block instanceof PlainBlock ? $this->block->declarations() : $this->block;
    }

    /** @return list<Setting> what is valid of its declarations */
    public function settings(Declarations $declarations): array
    {
        return $this->settings ??= $declarations->all($this->declarations());
    }

    /** @return list<string> all but the settings, which are quicker to read again than to keep */
    public function __sleep(): array
    {
        $this->hasImportant();

        return ['selectors', 'block', 'media', 'layer', 'container', 'scope', 'offset', 'hasImportant'];
    }

    /** Whether its media queries hold; what a container query says depends on layout, and is left open. */
    public function accepts(Condition $condition): bool
    {
        foreach ($this->media as $media) {
            if (! $media->accepts($condition)) {
                return false;
            }
        }

        return true;
    }
}
