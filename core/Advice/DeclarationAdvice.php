<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Sheet\Override;
use Insignum\Style\Declarations;
use Insignum\Style\KnownProperties;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Severity;

/** Declarations that browsers will not take: an unknown property, or a value that the property's grammar refuses. */
final class DeclarationAdvice
{
    /** How one browser marks what is its own. */
    private const PREFIX = '/(?<![\w-])-(?:webkit|moz|ms|o|khtml)-/i';

    public function __construct(private readonly Declarations $declarations)
    {
    }

    /** @return ?Finding null where there is nothing to say */
    public function on(string $name, string $value, int $start = 0, int $end = 0): ?Finding
    {
        if (! KnownProperties::has($name) && preg_match(self::PREFIX, $name) === 1) {
            return new Finding('prefixed', Severity::Notice, "“{$name}” is for one browser: the others skip this line.", $start, $end);
        }
        if (! KnownProperties::has($name)) {
            $nearest = KnownProperties::nearest($name);
            $hint = $nearest === null ? '' : " Did you mean $nearest?";

            return new Finding('unknown-property', Severity::Error, "Browsers know no property named “{$name}”.$hint", $start, $end, $nearest);
        }
        if (trim($value) === '' && ! str_starts_with($name, '--')) {
            return new Finding('invalid-value', Severity::Error, "$name has no value.", $start, $end);
        }
        // What carries a browser's own prefix is written for that browser.
        if (preg_match(self::PREFIX, $value) !== 1 && ! $this->declarations->isValid($name, $value)) {
            return new Finding('invalid-value', Severity::Error, "“{$value}” is not a value that $name takes: browsers skip this line.".$this->hint($name), $start, $end);
        }

        return null;
    }

    /** @return array<int, Finding> by the index of the declaration */
    public function onOverride(Override $override): array
    {
        $found = [];
        foreach ($override->declarations as $index => $declaration) {
            $finding = $declaration->enabled ? $this->on($declaration->name, $declaration->value) : null;
            if ($finding !== null) {
                $found[$index] = $finding;
            }
        }

        return $found;
    }

    private function hint(string $name): string
    {
        return match (true) {
            str_ends_with($name, 'color') => ' A colour is a name like “gold”, or #e0b354, rgb(224 179 84), hsl(41 69% 60%), oklch(0.79 0.12 83).',
            str_ends_with($name, 'style') => ' It is one of solid, dashed, dotted, double, none.',
            str_ends_with($name, 'width'), str_ends_with($name, 'radius') => ' It is a length such as 2px or 0.5em.',
            str_starts_with($name, 'transition'), str_starts_with($name, 'animation') => ' Times have a unit, as in 0.3s or 200ms.',
            $name === 'transform' => ' Angles and lengths have a unit, as in rotate(45deg) or translate(10px, 50%).',
            str_ends_with($name, 'filter') => ' Lengths and angles have a unit, as in blur(2px) or hue-rotate(90deg).',
            str_starts_with($name, 'align-'), str_starts_with($name, 'justify-') => ' It is one of center, start, end, '.(str_ends_with($name, 'content') ? 'space-between' : 'stretch').' and a few more.',
            default => '',
        };
    }
}
