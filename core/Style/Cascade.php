<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Style\Value\Keyword;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\Parser;

/** The cascade for the elements of one page: which declaration wins for each property, and in which order the others stand. */
final class Cascade
{
    private readonly PresentationalHints $hints;

    /** @var array<string, list<Setting>> */
    private array $inline = [];

    /** @var array<int, bool> */
    private array $rightToLeft = [];

    private readonly bool $mayBeRightToLeft;

    public function __construct(
        private readonly Page $page,
        private readonly StyleSet $set,
        private readonly Matching $matching,
        private readonly Declarations $declarations,
    ) {
        $this->hints = new PresentationalHints($declarations, $page);
        $this->mayBeRightToLeft = $page->hasDirections || $set->hasDirections;
    }

    /** What makes two elements with equal parents come to the same style. */
    public function signature(int $element): string
    {
        $inline = $this->page->attributes[$element]['style'] ?? '';

        return implode(',', $this->matching->entriesOf($element)).'|'.$this->hints->css($element).'|'.$inline;
    }

    /** @return list<Setting> what an entry's rule sets */
    public function settings(Entry $entry): array
    {
        return $entry->rule->settings($this->declarations);
    }

    /**
     * The winning setting of each property, with its entry; null for inline style and hints.
     *
     * @return array<string, array{Setting, ?Entry}>
     */
    public function winners(int $element): array
    {
        $won = [];
        $important = [];
        $hintsDone = false;
        $hints = $this->hints->css($element);
        $rtl = $this->isRightToLeft($element);
        foreach ($this->matching->entriesOf($element) as $index) {
            $entry = $this->set->entry($index);
            if (! $hintsDone && $hints !== '' && $entry->origin !== Origin::Browser) {
                $won = $this->hinted($won, $hints);
                $hintsDone = true;
            }
            foreach ($this->settings($entry) as $setting) {
                if (! $setting->important) {
                    $won[$setting->propertyIn($rtl)] = [$setting, $entry];
                }
            }
            if ($entry->rule->hasImportant()) {
                $important[] = $index;
            }
        }
        if (! $hintsDone && $hints !== '') {
            $won = $this->hinted($won, $hints);
        }
        $inline = $this->inlineSettings($element);
        foreach ($inline as $setting) {
            if (! $setting->important) {
                $won[$setting->propertyIn($rtl)] = [$setting, null];
            }
        }

        return $this->withImportant($won, $important, $inline, $element);
    }

    /**
     * The winners for a pseudo-element; it has no inline style and no hints.
     *
     * @return array<string, array{Setting, ?Entry}>
     */
    public function pseudoWinners(int $element, string $pseudo): array
    {
        $won = $important = [];
        $rtl = $this->isRightToLeft($element);
        foreach ($this->matching->pseudoEntriesOf($element, $pseudo) as $index) {
            $entry = $this->set->entry($index);
            foreach ($this->settings($entry) as $setting) {
                if (! $setting->important) {
                    $won[$setting->propertyIn($rtl)] = [$setting, $entry];
                }
            }
            if ($entry->rule->hasImportant()) {
                $important[] = $index;
            }
        }

        return $this->withImportant($won, $important, [], $element);
    }

    /** @return list<Contender> for one property, the winner first */
    public function contenders(int $element, string $property, ?string $pseudo = null): array
    {
        $out = [];
        $rtl = $property !== 'direction' && $this->isRightToLeft($element);
        $indexes = $pseudo === null ? $this->matching->entriesOf($element) : $this->matching->pseudoEntriesOf($element, $pseudo);
        foreach ($indexes as $index) {
            $entry = $this->set->entry($index);
            $proximity = $this->matching->proximity($index, $element);
            foreach ($this->settings($entry) as $place => $setting) {
                if ($setting->propertyIn($rtl) === $property) {
                    $key = $setting->important ? CascadeOrder::important($entry, $proximity) : CascadeOrder::normal($entry, $proximity);
                    $out[] = new Contender($setting, $entry, $entry->origin, [...$key, $place]);
                }
            }
        }
        $attached = $pseudo !== null ? [] : [
            [Origin::Hint, $this->hints->css($element) === '' ? [] : $this->hints->settings($this->hints->css($element))],
            [Origin::Inline, $this->inlineSettings($element)],
        ];
        foreach ($attached as [$origin, $settings]) {
            foreach ($settings as $place => $setting) {
                if ($setting->propertyIn($rtl) === $property) {
                    $out[] = new Contender($setting, null, $origin, [...CascadeOrder::attached($origin, $setting->important, $place), $place]);
                }
            }
        }
        usort($out, static fn (Contender $a, Contender $b): int => $b->key <=> $a->key);

        return $out;
    }

    /** What a property falls back to where its winner says `revert` or `revert-layer`: Cascade 5, 7.3.4 and 7.3.5. */
    public function rollback(int $element, string $property, ?string $pseudo = null): ?Contender
    {
        $contenders = $this->contenders($element, $property, $pseudo);
        $at = 0;
        while (isset($contenders[$at])) {
            $value = $contenders[$at]->setting->value;
            if ($value !== WideKeyword::Revert && $value !== WideKeyword::RevertLayer) {
                return $contenders[$at];
            }
            $from = $contenders[$at];
            do {
                $at++;
            } while (isset($contenders[$at]) && ! $this->isBelow($contenders[$at], $from, $value === WideKeyword::Revert));
        }

        return null;
    }

    /** Whether text runs from right to left in an element: what flow-relative properties go by. */
    private function isRightToLeft(int $element): bool
    {
        if (! $this->mayBeRightToLeft) {
            return false;
        }
        if (! isset($this->rightToLeft[$element])) {
            $own = $this->rollback($element, 'direction')?->setting->value;
            $parent = $this->page->parents[$element];
            $this->rightToLeft[$element] = match (true) {
                $own instanceof Keyword => $own->text === 'rtl',
                $own === WideKeyword::Initial, $parent < 0 => false,
                default => $this->isRightToLeft($parent),
            };
        }

        return $this->rightToLeft[$element];
    }

    private function isBelow(Contender $one, Contender $from, bool $wholeOrigin): bool
    {
        $isAuthor = static fn (Contender $c): bool => $c->origin !== Origin::Browser;
        if ($wholeOrigin) {
            return ! $isAuthor($one) && $isAuthor($from);
        }

        return $one->origin !== $from->origin || $one->entry?->layer !== $from->entry?->layer;
    }

    /**
     * @param  array<string, array{Setting, ?Entry}>  $won
     * @return array<string, array{Setting, ?Entry}>
     */
    private function hinted(array $won, string $hints): array
    {
        foreach ($this->hints->settings($hints) as $setting) {
            $won[$setting->property] = [$setting, null];
        }

        return $won;
    }

    /**
     * @param  array<string, array{Setting, ?Entry}>  $won
     * @param  list<int>  $important
     * @param  list<Setting>  $inline
     * @return array<string, array{Setting, ?Entry}>
     */
    private function withImportant(array $won, array $important, array $inline, int $element): array
    {
        $rows = [];
        $rtl = $this->isRightToLeft($element);
        foreach ($important as $index) {
            $entry = $this->set->entry($index);
            $key = CascadeOrder::important($entry, $this->matching->proximity($index, $element));
            foreach ($this->settings($entry) as $setting) {
                if ($setting->important) {
                    $rows[] = [$key, $setting, $entry];
                }
            }
        }
        foreach ($inline as $place => $setting) {
            if ($setting->important) {
                $rows[] = [CascadeOrder::attached(Origin::Inline, true, $place), $setting, null];
            }
        }
        usort($rows, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        foreach ($rows as [, $setting, $entry]) {
            $won[$setting->propertyIn($rtl)] = [$setting, $entry];
        }

        return $won;
    }

    /** @return list<Setting> */
    private function inlineSettings(int $element): array
    {
        $css = $this->page->attributes[$element]['style'] ?? '';
        if ($css === '') {
            return [];
        }
        if (! isset($this->inline[$css])) {
            $declarations = array_filter(Parser::block($css)->children, static fn (object $node): bool => $node instanceof Declaration);
            $this->inline[$css] = $this->declarations->all(array_values($declarations));
        }

        return $this->inline[$css];
    }
}
