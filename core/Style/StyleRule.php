<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\SelectorList;

/** A rule as the cascade needs it: selectors, settings, and the conditions under which it counts. */
final readonly class StyleRule
{
    public bool $hasImportant;

    /**
     * @param  list<Setting>  $settings
     * @param  list<MediaList>  $media  all of which must hold
     * @param  string  $layer  dotted path; empty for none
     * @param  ?string  $container  the condition of a container query around it, which depends on layout
     * @param  int  $offset  of its first byte in its sheet
     */
    public function __construct(
        public SelectorList $selectors,
        public array $settings,
        public array $media,
        public string $layer,
        public ?string $container,
        public ?ScopeRange $scope,
        public int $offset,
    ) {
        $this->hasImportant = array_filter($settings, static fn (Setting $s): bool => $s->important) !== [];
    }

    public function accepts(Condition $condition): bool
    {
        if ($this->container !== null) {
            return false;
        }
        foreach ($this->media as $media) {
            if (! $media->accepts($condition)) {
                return false;
            }
        }

        return true;
    }
}
