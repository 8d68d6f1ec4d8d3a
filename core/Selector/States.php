<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Page\Page;

/** Which user-action states are on, and for which elements. By default none is. */
final readonly class States
{
    /**
     * @param  array<string, array<int, true>>  $states state name (`hover`, `focus`, …) to elements
     * @param  bool  $any  every state on for every element
     */
    public function __construct(private array $states = [], private bool $any = false)
    {
    }

    /** All at once, for asking what a selector could match at any time. */
    public static function any(): self
    {
        return new self([], true);
    }

    public static function none(): self
    {
        return new self;
    }

    /**
     * A state on for some elements and, as browsers do, for what they are in; an empty name is none.
     *
     * @param  list<int>  $elements
     */
    public static function on(Page $page, string $state, array $elements): self
    {
        if ($state === '' || $elements === []) {
            return self::none();
        }
        $above = [];
        foreach ($elements as $element) {
            $above += array_fill_keys($page->line($element), true);
        }
        $states = self::none()->with($state, ...($state === 'hover' || $state === 'active' ? array_keys($above) : $elements));

        return match ($state) {
            'focus-visible' => $states->with('focus', ...$elements)->with('focus-within', ...array_keys($above)),
            'focus' => $states->with('focus-within', ...array_keys($above)),
            'target' => $states->with('target-within', ...array_keys($above)),
            default => $states,
        };
    }

    public function with(string $state, int ...$elements): self
    {
        return new self([...$this->states, $state => array_fill_keys($elements, true)]);
    }

    public function isOn(string $state, int $element): bool
    {
        return $this->any || isset($this->states[$state][$element]);
    }

    public function isResting(): bool
    {
        return $this->states === [] && ! $this->any;
    }
}
