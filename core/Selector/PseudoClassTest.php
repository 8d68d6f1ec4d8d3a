<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Page\Page;

/** Pseudo-classes that a static page answers, Selectors 4, sections 7 to 14; user-action ones from the states. */
final class PseudoClassTest
{
    private const FIELDS = ['input', 'select', 'textarea'];

    private const DISABLEABLE = ['button', 'input', 'select', 'textarea', 'optgroup', 'option', 'fieldset'];

    /** Input types that `required` says nothing about: HTML 4.10.5.1. */
    private const NEVER_REQUIRED = ['hidden', 'range', 'color', 'submit', 'image', 'reset', 'button'];

    private const PLACEHOLDER_TYPES = ['text', 'search', 'url', 'tel', 'email', 'password', 'number'];

    public function __construct(private readonly Page $page, private readonly States $states, private readonly Matcher $matcher, private readonly int $scope)
    {
    }

    public function accepts(PseudoClass $pseudo, int $element): bool
    {
        $page = $this->page;

        return match ($pseudo->name) {
            '&' => $pseudo->selectors !== null && isset($this->matcher->among($pseudo->selectors)[$element]),
            'is', 'where' => $pseudo->selectors !== null && $this->matcher->matchesAny($pseudo->selectors, $element),
            'not' => $pseudo->selectors !== null && ! $this->matcher->matchesAny($pseudo->selectors, $element),
            'has' => $this->has($pseudo, $element),
            'root' => $page->parents[$element] < 0,
            'scope' => $element === $this->scope,
            'empty' => ! $page->hasContent[$element],
            'first-child' => $page->positions[$element] === 0,
            'last-child' => $this->fromEnd($element) === 1,
            'only-child' => $page->positions[$element] === 0 && $this->fromEnd($element) === 1,
            'first-of-type' => $this->index($element, false, true) === 1,
            'last-of-type' => $this->index($element, true, true) === 1,
            'only-of-type' => $this->index($element, false, true) === 1 && $this->index($element, true, true) === 1,
            'nth-child', 'nth-last-child', 'nth-of-type', 'nth-last-of-type' => $this->nth($pseudo, $element),
            'any-link', 'link' => in_array($page->tags[$element], ['a', 'area'], true) && isset($page->attributes[$element]['href']),
            'lang' => $this->lang($pseudo->words, $element),
            'dir' => $this->direction($element) === strtolower($pseudo->words[0] ?? ''),
            'defined' => isset($page->foreign[$element]) || ! str_contains($page->tags[$element], '-'),
            'hover', 'active', 'focus', 'focus-visible', 'focus-within', 'target', 'target-within' => $this->states->isOn($pseudo->name, $element),
            'open' => in_array($page->tags[$element], ['details', 'dialog'], true) && isset($page->attributes[$element]['open']),
            default => $this->form($pseudo->name, $element),
        };
    }

    private function has(PseudoClass $pseudo, int $element): bool
    {
        foreach ($pseudo->selectors->selectors ?? [] as $relative) {
            if ($this->matcher->finds($relative, $element)) {
                return true;
            }
        }

        return false;
    }

    private function fromEnd(int $element): int
    {
        $parent = $this->page->parents[$element];

        return $parent < 0 ? 1 : count($this->page->children[$parent]) - $this->page->positions[$element];
    }

    /** The 1-based position among the siblings, of the same type or those that $of matches. */
    private function index(int $element, bool $fromEnd, bool $ofType, ?SelectorList $of = null): int
    {
        $page = $this->page;
        $parent = $page->parents[$element];
        $siblings = $parent < 0 ? [$element] : $page->children[$parent];
        $siblings = $fromEnd ? array_reverse($siblings) : $siblings;
        $index = 0;
        foreach ($siblings as $sibling) {
            $counts = (! $ofType || $page->tags[$sibling] === $page->tags[$element]) && ($of === null || $this->matcher->matchesAny($of, $sibling));
            $index += $counts ? 1 : 0;
            if ($sibling === $element) {
                return $counts ? $index : 0;
            }
        }

        return 0;
    }

    private function nth(PseudoClass $pseudo, int $element): bool
    {
        $nth = $pseudo->nth ?? new Nth(0, 0);
        $fromEnd = str_contains($pseudo->name, 'last');
        $ofType = str_ends_with($pseudo->name, 'type');
        if (! $ofType && $nth->of === null) {
            return $nth->accepts($fromEnd ? $this->fromEnd($element) : $this->page->positions[$element] + 1);
        }
        $index = $this->index($element, $fromEnd, $ofType, $nth->of);

        return $index > 0 && $nth->accepts($index);
    }

    /**
     * Extended filtering, RFC 4647, 3.3.2; browsers take no wildcard for the first part.
     *
     * @param  list<string>  $ranges
     */
    private function lang(array $ranges, int $element): bool
    {
        $language = null;
        for ($at = $element; $at >= 0 && $language === null; $at = $this->page->parents[$at]) {
            $language = $this->page->attributes[$at]['lang'] ?? null;
        }
        foreach ($ranges as $range) {
            if ($language === null || $language === '' ? $range === '' : $this->isInRange(strtolower($language), strtolower($range))) {
                return true;
            }
        }

        return false;
    }

    private function isInRange(string $language, string $range): bool
    {
        $tags = explode('-', $language);
        $wanted = explode('-', $range);
        $first = array_shift($wanted);
        if ($first === '' || $first !== $tags[0]) {
            return false;
        }
        array_shift($tags);
        foreach ($wanted as $part) {
            while ($tags !== [] && $tags[0] !== $part) {
                if (strlen($tags[0]) === 1) {
                    return false;
                }
                array_shift($tags);
            }
            if ($tags === []) {
                return false;
            }
            array_shift($tags);
        }

        return true;
    }

    private function direction(int $element): string
    {
        for ($at = $element; $at >= 0; $at = $this->page->parents[$at]) {
            $own = isset($this->page->foreign[$at]) ? '' : strtolower($this->page->attributes[$at]['dir'] ?? '');
            if ($own === 'rtl' || $own === 'ltr') {
                return $own;
            }
        }

        return 'ltr';
    }

    private function form(string $name, int $element): bool
    {
        if (isset($this->page->foreign[$element])) {
            return false;
        }
        $tag = $this->page->tags[$element];
        $attributes = $this->page->attributes[$element];
        $type = strtolower($attributes['type'] ?? 'text');
        $isField = in_array($tag, self::FIELDS, true);

        return match ($name) {
            'disabled' => in_array($tag, self::DISABLEABLE, true) && $this->isDisabled($element),
            'enabled' => in_array($tag, self::DISABLEABLE, true) && ! $this->isDisabled($element),
            'checked' => $this->isChecked($element),
            'required' => $isField && $this->isRequired($element),
            'optional' => $tag === 'button' || ($isField && ! $this->isRequired($element)),
            'read-write' => $this->isEditable($element),
            'read-only' => ! $this->isEditable($element),
            'placeholder-shown' => ($tag === 'textarea' || ($tag === 'input' && in_array($type, self::PLACEHOLDER_TYPES, true)))
                && isset($attributes['placeholder']) && ($tag === 'textarea' ? ! $this->page->hasContent[$element] : ($attributes['value'] ?? '') === ''),
            'default' => ($tag === 'option' && isset($attributes['selected'])) || ($tag === 'input' && in_array($type, ['checkbox', 'radio'], true) && isset($attributes['checked'])) || $this->isDefaultButton($element),
            'indeterminate' => $tag === 'progress' && ! isset($attributes['value']) || ($tag === 'input' && $type === 'radio' && $this->isUnsetGroup($element)),
            'valid' => ($tag === 'form' || $tag === 'fieldset' || $this->isValidated($element)) && $this->isValid($element),
            'invalid' => ($tag === 'form' || $tag === 'fieldset' || $this->isValidated($element)) && ! $this->isValid($element),
            'in-range' => $this->rangeState($element) === true,
            'out-of-range' => $this->rangeState($element) === false,
            default => false,
        };
    }

    private function isDisabled(int $element): bool
    {
        $page = $this->page;
        if (isset($page->attributes[$element]['disabled'])) {
            return true;
        }
        if ($page->tags[$element] === 'option' || $page->tags[$element] === 'optgroup') {
            $select = $this->selectOf($element);

            return $this->isOptionDisabled($element) || ($select >= 0 && $this->isDisabled($select));
        }
        for ($inside = $element, $at = $page->parents[$element]; $at >= 0; $inside = $at, $at = $page->parents[$at]) {
            if ($page->tags[$at] === 'fieldset' && isset($page->attributes[$at]['disabled'])) {
                $firstLegend = array_values(array_filter($page->children[$at], fn (int $child): bool => $page->tags[$child] === 'legend'))[0] ?? -1;
                if ($inside !== $firstLegend) {
                    return true;
                }
            }
        }

        return false;
    }

    /** HTML 4.10.10.1: by itself, or by the group that it is in. */
    private function isOptionDisabled(int $element): bool
    {
        $page = $this->page;
        for ($at = $element; $at >= 0 && $page->tags[$at] !== 'select'; $at = $page->parents[$at]) {
            if (isset($page->attributes[$at]['disabled']) && ($at === $element || ($page->tags[$at] === 'optgroup' && $page->tags[$element] === 'option'))) {
                return true;
            }
        }

        return false;
    }

    /** The drop-down that an option is in; negative where there is none. */
    private function selectOf(int $element): int
    {
        for ($at = $this->page->parents[$element]; $at >= 0; $at = $this->page->parents[$at]) {
            if ($this->page->tags[$at] === 'select' && ! isset($this->page->foreign[$at])) {
                return $at;
            }
        }

        return -1;
    }

    private function isChecked(int $element): bool
    {
        $page = $this->page;
        $attributes = $page->attributes[$element];
        if ($page->tags[$element] === 'input') {
            return isset($attributes['checked']) && in_array(strtolower($attributes['type'] ?? ''), ['checkbox', 'radio'], true);
        }
        if ($page->tags[$element] !== 'option') {
            return false;
        }
        $select = $this->selectOf($element);
        if ($select < 0 || isset($page->attributes[$select]['multiple']) || (int) ($page->attributes[$select]['size'] ?? 1) > 1) {
            return isset($attributes['selected']);
        }

        return $this->shownOption($select) === $element;
    }

    /** The option that a drop-down shows: the last one selected, else the first one not disabled. */
    private function shownOption(int $select): int
    {
        $first = $chosen = -1;
        for ($i = $select + 1; $i < $this->page->ends[$select]; $i++) {
            if ($this->page->tags[$i] !== 'option') {
                continue;
            }
            $chosen = isset($this->page->attributes[$i]['selected']) ? $i : $chosen;
            $first = $first < 0 && ! $this->isOptionDisabled($i) ? $i : $first;
        }

        return $chosen >= 0 ? $chosen : $first;
    }

    private function isEditable(int $element): bool
    {
        $attributes = $this->page->attributes[$element];
        $tag = $this->page->tags[$element];
        $type = strtolower($attributes['type'] ?? 'text');
        if ($tag === 'textarea' || $tag === 'input') {
            return ! in_array($tag === 'input' ? $type : '', ['hidden', 'range', 'color', 'checkbox', 'radio', 'file', 'submit', 'image', 'reset', 'button'], true)
                && ! isset($attributes['readonly']) && ! $this->isDisabled($element);
        }
        for ($at = $element; $at >= 0; $at = $this->page->parents[$at]) {
            $editable = isset($this->page->foreign[$at]) ? null : $this->page->attributes[$at]['contenteditable'] ?? null;
            if ($editable !== null) {
                return strtolower($editable) !== 'false';
            }
        }

        return false;
    }

    /** The first button that submits its form. */
    private function isDefaultButton(int $element): bool
    {
        $form = $this->isSubmit($element) ? $this->formOf($element) : null;
        for ($i = 0; $form !== null && $i <= $element; $i++) {
            if ($this->isSubmit($i) && $this->formOf($i) === $form) {
                return $i === $element;
            }
        }

        return false;
    }

    private function isSubmit(int $element): bool
    {
        $type = strtolower($this->page->attributes[$element]['type'] ?? '');

        return match ($this->page->tags[$element]) {
            'button' => $type !== 'reset' && $type !== 'button',
            'input' => $type === 'submit' || $type === 'image',
            default => false,
        };
    }

    /** The form that a control names, or is in. */
    private function formOf(int $element): ?int
    {
        $named = $this->page->attributes[$element]['form'] ?? null;
        if ($named !== null) {
            $form = $this->page->byId[$named][0] ?? null;

            return $form !== null && $this->page->tags[$form] === 'form' ? $form : null;
        }
        for ($at = $this->page->parents[$element]; $at >= 0; $at = $this->page->parents[$at]) {
            if ($this->page->tags[$at] === 'form') {
                return $at;
            }
        }

        return null;
    }

    private function isUnsetGroup(int $element): bool
    {
        $name = $this->page->attributes[$element]['name'] ?? '';
        foreach ($this->page->byTag['input'] ?? [] as $input) {
            $attributes = $this->page->attributes[$input];
            if (isset($attributes['checked']) && strtolower($attributes['type'] ?? '') === 'radio' && ($attributes['name'] ?? '') === $name && $name !== '') {
                return false;
            }
        }

        return ! isset($this->page->attributes[$element]['checked']);
    }

    private function isRequired(int $element): bool
    {
        return isset($this->page->attributes[$element]['required']) && ($this->page->tags[$element] !== 'input' || ! in_array(strtolower($this->page->attributes[$element]['type'] ?? ''), self::NEVER_REQUIRED, true));
    }

    /** Whether it is checked at all: HTML 4.10.19.3 and what each control says of itself. */
    private function isValidated(int $element): bool
    {
        $tag = $this->page->tags[$element];
        $type = strtolower($this->page->attributes[$element]['type'] ?? '');

        return match ($tag) {
            'input' => ! in_array($type, ['hidden', 'reset', 'button'], true) && ! isset($this->page->attributes[$element]['readonly']),
            'textarea' => ! isset($this->page->attributes[$element]['readonly']),
            'button' => $type !== 'reset' && $type !== 'button',
            'select' => true,
            default => false,
        } && ! $this->isDisabled($element);
    }

    /** As the page was loaded, only these constraints can fail: something required is missing, or an address is none. */
    private function isValid(int $element): bool
    {
        $page = $this->page;
        $tag = $page->tags[$element];
        $attributes = $page->attributes[$element];
        if ($tag === 'form' || $tag === 'fieldset') {
            for ($i = $element + 1; $i < $page->ends[$element]; $i++) {
                if (in_array($page->tags[$i], self::FIELDS, true) && ! $this->isValid($i)) {
                    return false;
                }
            }

            return true;
        }
        if ($tag === 'button' || ! $this->isValidated($element)) {
            return true;
        }
        $type = strtolower($attributes['type'] ?? 'text');
        $value = $tag === 'textarea' ? ($page->hasContent[$element] ? 'text' : '') : ($attributes['value'] ?? '');
        if ($this->isRequired($element)) {
            $missing = match (true) {
                $tag === 'select' => $this->shownOption($element) < 0 || ($page->attributes[$this->shownOption($element)]['value'] ?? $page->texts[$this->shownOption($element)]) === '',
                $tag === 'input' && $type === 'checkbox' => ! isset($attributes['checked']),
                $tag === 'input' && $type === 'radio' => $this->isUnsetGroup($element),
                default => $value === '',
            };
            if ($missing) {
                return false;
            }
        }
        if ($tag === 'input' && $value !== '') {
            return match ($type) {
                'email' => (bool) preg_match('/\A[^@\s]+@[^@\s]+\z/', $value),
                'url' => (bool) preg_match('/\A[a-z][a-z0-9+.-]*:/i', $value),
                default => $this->rangeState($element) !== false,
            };
        }

        return true;
    }

    /** Null where the element has no range. */
    private function rangeState(int $element): ?bool
    {
        $attributes = $this->page->attributes[$element];
        $type = strtolower($attributes['type'] ?? '');
        if (! $this->isValidated($element)) {
            return null;
        }
        if ($this->page->tags[$element] === 'input' && $type === 'range') {
            return true;
        }
        if ($this->page->tags[$element] !== 'input' || ! in_array($type, ['number', 'date', 'time', 'month', 'week', 'datetime-local'], true) || (! isset($attributes['min']) && ! isset($attributes['max']))) {
            return null;
        }
        $value = $attributes['value'] ?? '';
        if ($value === '') {
            return true;
        }
        $below = isset($attributes['min']) && ($type === 'number' ? (float) $value < (float) $attributes['min'] : $value < $attributes['min']);
        $above = isset($attributes['max']) && ($type === 'number' ? (float) $value > (float) $attributes['max'] : $value > $attributes['max']);

        return ! $below && ! $above;
    }
}
