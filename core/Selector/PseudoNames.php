<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** The pseudo-classes and pseudo-elements that browsers know: an unknown one makes its selector invalid. */
final class PseudoNames
{
    /** Pseudo-classes that depend on what the user does, and are answered from the states that are on. */
    public const STATES = ['hover', 'active', 'focus', 'focus-visible', 'focus-within', 'target', 'visited'];

    private const CLASSES = ' root empty first-child last-child only-child first-of-type last-of-type only-of-type '
        .'hover active focus focus-visible focus-within target target-within visited link any-link local-link scope '
        .'enabled disabled checked unchecked indeterminate default required optional read-only read-write placeholder-shown '
        .'valid invalid user-valid user-invalid in-range out-of-range autofill -webkit-autofill -internal-autofill-selected '
        .'defined fullscreen -webkit-full-screen modal popover-open open picture-in-picture playing paused muted seeking buffering stalled '
        .'volume-locked host current past future first left right blank has-slotted '
        .'-webkit-drag horizontal vertical increment decrement start end double-button single-button no-button corner-present window-inactive ';

    private const FUNCTIONS = ' is where not has lang dir nth-child nth-last-child nth-of-type nth-last-of-type host host-context state active-view-transition-type ';

    private const ELEMENTS = ' before after first-line first-letter marker placeholder selection backdrop file-selector-button '
        .'cue part slotted target-text spelling-error grammar-error highlight view-transition view-transition-group '
        .'view-transition-image-pair view-transition-old view-transition-new details-content search-text scroll-marker '
        .'scroll-marker-group scroll-button column picker picker-icon checkmark ';

    /** Parts of controls, by how their names begin, and the elements that have them. Others may belong to any element. */
    private const HOSTS = [
        '-webkit-meter' => ['meter'], '-webkit-progress' => ['progress'], '-webkit-details' => ['summary'], '-webkit-media' => ['audio', 'video'],
        '-webkit-resizer' => null, '-webkit-scrollbar' => null, '-webkit-' => ['input', 'select', 'textarea', 'button'],
        'placeholder' => ['input', 'textarea'], 'file-selector-button' => ['input'], 'details-content' => ['details'],
        'picker' => ['select', 'input'], 'checkmark' => ['option', 'input'],
    ];

    /** @return ?list<string> the tags of the elements that have a pseudo-element; null for any */
    public static function hosts(string $pseudoElement): ?array
    {
        foreach (self::HOSTS as $start => $tags) {
            if (str_starts_with($pseudoElement, $start)) {
                return $tags;
            }
        }

        return null;
    }

    public static function isClass(string $name, bool $function): bool
    {
        return str_contains($function ? self::FUNCTIONS : self::CLASSES, " $name ");
    }

    /** Browsers take any `::-webkit-` name, so that one unknown name doesn't drop a rule (Selectors 4, appendix B). */
    public static function isElement(string $name): bool
    {
        return str_contains(self::ELEMENTS, " $name ") || str_starts_with($name, '-webkit-');
    }
}
