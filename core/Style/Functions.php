<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * Values that are lists of functions or of moves, told from nonsense: Transforms 1 and 2, Filter Effects 1, Transitions 1 and 2,
 * Animations 1.
 */
final class Functions
{
    /** name => arguments: `l` length, `p` length or percentage, `n` number, `s` number or percentage, `a` angle; small letters after ? may be left out */
    public const TRANSFORMS = [
        'matrix' => 'nnnnnn', 'matrix3d' => 'nnnnnnnnnnnnnnnn', 'perspective' => 'o', 'translate' => 'p?p', 'translatex' => 'p', 'translatey' => 'p', 'translatez' => 'l', 'translate3d' => 'ppl',
        'scale' => 's?s', 'scalex' => 's', 'scaley' => 's', 'scalez' => 's', 'scale3d' => 'sss', 'rotate' => 'a', 'rotatex' => 'a', 'rotatey' => 'a', 'rotatez' => 'a', 'rotate3d' => 'nnna',
        'skew' => 'a?a', 'skewx' => 'a', 'skewy' => 'a',
    ];

    /** As above; `L` and `S` may not be negative. */
    public const FILTERS = [
        'blur' => '?L', 'brightness' => '?S', 'contrast' => '?S', 'grayscale' => '?S', 'hue-rotate' => '?a', 'invert' => '?S', 'opacity' => '?S', 'saturate' => '?S', 'sepia' => '?S',
    ];

    private const EASINGS = ['ease', 'linear', 'ease-in', 'ease-out', 'ease-in-out', 'step-start', 'step-end'];

    private const EASING_FUNCTIONS = ['cubic-bezier', 'steps', 'linear'];

    public function __construct(private readonly Grammar $grammar)
    {
    }

    /**
     * @param  list<Component>  $c
     * @param  array<string, string>  $signatures
     */
    public function areAll(array $c, array $signatures): bool
    {
        if (count($c) === 1 && $c[0]->isIdent('none')) {
            return true;
        }
        foreach ($c as $function) {
            $signature = $function->isFunction() ? $signatures[strtolower($function->text)] ?? null : null;
            $isOwn = $signatures === self::FILTERS && ($function->type === TokenType::URL || $function->isFunction('url') || ($function->isFunction('drop-shadow') && $this->grammar->isDropShadow(Components::dense($function->children))));
            if (! $isOwn && ($signature === null || ! $this->takes($function, $signature))) {
                return false;
            }
        }

        return true;
    }

    /**
     * Times, separated by commas.
     *
     * @param  list<Component>  $c
     */
    public function areTimes(array $c, float $least): bool
    {
        foreach (Components::split($c) as $part) {
            if (count($part) !== 1 || ! ($this->isTime($part[0], $least) || ($part[0]->isIdent('auto') && $least === 0.0))) {
                return false;
            }
        }

        return true;
    }

    /**
     * What moves, for how long, how and from when; separated by commas.
     *
     * @param  list<Component>  $c
     */
    public function areTransitions(array $c): bool
    {
        $all = Components::split($c);
        $slots = [
            fn (Component $p): bool => $this->isTime($p, 0.0),
            $this->isEasing(...),
            fn (Component $p): bool => $this->isTime($p, -INF),
            static fn (Component $p): bool => self::isOneOf($p, ['normal', 'allow-discrete']),
            static fn (Component $p): bool => $p->isIdent() && ! ($p->isIdent('none') && count($all) > 1),
        ];

        return array_filter($all, static fn (array $one): bool => ! self::fills($one, $slots)) === [];
    }

    /**
     * The keyframes, for how long, how, from when, how often and which way; separated by commas.
     *
     * @param  list<Component>  $c
     */
    public function areAnimations(array $c): bool
    {
        $slots = [
            fn (Component $p): bool => $this->isTime($p, 0.0) || $p->isIdent('auto'),
            $this->isEasing(...),
            fn (Component $p): bool => $this->isTime($p, -INF),
            fn (Component $p): bool => $p->isIdent('infinite') || ($this->grammar->numeric($p, '') !== null && $p->number >= 0),
            static fn (Component $p): bool => self::isOneOf($p, ['normal', 'reverse', 'alternate', 'alternate-reverse']),
            static fn (Component $p): bool => self::isOneOf($p, ['none', 'forwards', 'backwards', 'both']),
            static fn (Component $p): bool => self::isOneOf($p, ['running', 'paused']),
            static fn (Component $p): bool => $p->isIdent() || $p->type === TokenType::STRING,
        ];

        return array_filter(Components::split($c), static fn (array $one): bool => ! self::fills($one, $slots)) === [];
    }

    /**
     * Whether each component goes to a slot of its own, the first that takes it and is free.
     *
     * @param  list<Component>  $components
     * @param  list<callable(Component): bool>  $slots
     */
    private static function fills(array $components, array $slots): bool
    {
        foreach ($components as $component) {
            $taken = array_key_first(array_filter($slots, static fn (callable $takes): bool => $takes($component)));
            if ($taken === null) {
                return false;
            }
            unset($slots[$taken]);
        }

        return $components !== [];
    }

    /** @param  list<string>  $keywords */
    private static function isOneOf(Component $c, array $keywords): bool
    {
        return $c->isIdent() && in_array($c->keyword(), $keywords, true);
    }

    private function takes(Component $function, string $signature): bool
    {
        $arguments = Components::split(Components::dense($function->children));
        if ($arguments === [[]]) {
            $arguments = [];
        }
        $kinds = str_replace('?', '', $signature);
        $least = str_contains($signature, '?') ? (int) strpos($signature, '?') : strlen($signature);
        if (count($arguments) < $least || count($arguments) > strlen($kinds)) {
            return false;
        }
        foreach ($arguments as $i => $argument) {
            if (count($argument) !== 1 || ! $this->isOf($argument[0], $kinds[$i])) {
                return false;
            }
        }

        return true;
    }

    private function isOf(Component $c, string $kind): bool
    {
        return match ($kind) {
            'l' => $this->grammar->length($c) !== null,
            'L' => $this->grammar->length($c, 0.0) !== null,
            'o' => $c->isIdent('none') || $this->grammar->length($c, 0.0) !== null,
            'p' => $this->grammar->lengthOrPercentage($c) !== null,
            'n' => $this->grammar->numeric($c, '') !== null,
            's' => $this->grammar->numeric($c, '', '%') !== null,
            'S' => $this->grammar->numeric($c, '', '%') !== null && $c->number >= 0,
            default => $this->grammar->numeric($c, 'deg') !== null || ($c->type === TokenType::NUMBER && $c->number === 0.0),
        };
    }

    private function isTime(Component $c, float $least): bool
    {
        return $this->grammar->numeric($c, 's') !== null && $c->number >= $least;
    }

    private function isEasing(Component $c): bool
    {
        return self::isOneOf($c, self::EASINGS) || ($c->isFunction() && in_array(strtolower($c->text), self::EASING_FUNCTIONS, true));
    }
}
