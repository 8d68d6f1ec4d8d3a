<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Effect\SitePage;
use Insignum\Selector\Specificity;
use Insignum\Style\Contender;
use Insignum\Style\Origin;
use Insignum\Style\StyleSet;

/**
 * The heaviest rule of the theme that a selector is up against, for some properties on some elements: Cascade 5, 6.1.
 *
 * A sheet comes last and stands in no layer, so that it wins by as much specificity. Against what is important, or stands in
 * the page itself, no specificity helps: that is not counted here.
 */
final readonly class Opposition
{
    private function __construct(private ?Contender $heaviest, private Specificity $specificity)
    {
    }

    /**
     * @param  list<SitePage>  $sites
     * @param  array<string, list<int>>  $elements  by page
     * @param  list<string>  $properties  longhands
     */
    public static function on(array $sites, array $elements, array $properties): self
    {
        $heaviest = null;
        $specificity = new Specificity;
        foreach ($properties === [] ? [] : $sites as $site) {
            foreach ($elements[$site->path] ?? [] as $element) {
                foreach ($properties as $property) {
                    foreach ($site->theme()->cascade->contenders($element, $property) as $contender) {
                        $isOutweighed = ! $contender->setting->important && $contender->origin === Origin::Author && $contender->entry?->layer === StyleSet::UNLAYERED;
                        if ($isOutweighed && $contender->entry->selector->specificity->compare($specificity) > 0) {
                            $heaviest = $contender;
                            $specificity = $contender->entry->selector->specificity;
                        }
                    }
                }
            }
        }

        return new self($heaviest, $specificity);
    }

    public function isAny(): bool
    {
        return $this->heaviest !== null;
    }

    /** Whether a selector of that specificity wins against it. */
    public function yields(Specificity $to): bool
    {
        return $to->compare($this->specificity) >= 0;
    }

    /** Why a selector doesn't win. */
    public function reason(): string
    {
        return "It would lose to the theme’s {$this->heaviest?->entry?->selector->text}, which is heavier ({$this->specificity}).";
    }
}
