<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;
use Insignum\Value\Calculation;
use Insignum\Value\Units;

/**
 * A media query list: Media Queries 4, section 3, and the features of 5 that a page without layout can answer.
 *
 * Kept as text and read when asked, once for the many rules that share it; what can't be parsed is `not all`, what is
 * unknown is neither true nor false.
 */
final class MediaList
{
    /** Features with a fixed answer under the standing conditions (see Condition), and all that they may be asked for. */
    private const DISCRETE = [
        'hover' => ['hover', 'none hover'], 'any-hover' => ['hover', 'none hover'], 'pointer' => ['fine', 'none coarse fine'], 'any-pointer' => ['fine', 'none coarse fine'],
        'prefers-color-scheme' => ['light', 'light dark'], 'prefers-reduced-motion' => ['no-preference', 'no-preference reduce'], 'prefers-contrast' => ['no-preference', 'no-preference more less custom'],
        'prefers-reduced-transparency' => ['no-preference', 'no-preference reduce'], 'prefers-reduced-data' => ['no-preference', 'no-preference reduce'], 'forced-colors' => ['none', 'none active'],
        'scripting' => ['none', 'none initial-only enabled'], 'update' => ['fast', 'none slow fast'], 'overflow-block' => ['scroll', 'none scroll paged'],
        'overflow-inline' => ['scroll', 'none scroll'], 'display-mode' => ['browser', 'fullscreen standalone minimal-ui browser picture-in-picture window-controls-overlay'],
        'color-gamut' => ['srgb', 'srgb p3 rec2020'], 'dynamic-range' => ['standard', 'standard high'], 'video-dynamic-range' => ['standard', 'standard high'], 'scan' => ['progressive', 'interlace progressive'],
        '-webkit-transform-3d' => ['1', '0 1'], 'grid' => ['0', '0 1'],
    ];

    private const FALSE_WORDS = ['none', 'no-preference', '0'];

    private const FLIPPED = ['<' => '>', '>' => '<', '<=' => '>=', '>=' => '<=', '=' => '='];

    private ?Condition $asked = null;

    private bool $answer = false;

    public function __construct(public readonly string $text)
    {
    }

    public function accepts(Condition $condition): bool
    {
        if ($this->asked === null || ($this->asked !== $condition && $this->asked != $condition)) {
            $this->asked = $condition;
            $this->answer = $this->answer($condition);
        }

        return $this->answer;
    }

    private function answer(Condition $condition): bool
    {
        $components = Components::parse($this->text);
        if (Components::dense($components) === []) {
            return true;
        }
        foreach (Components::split($components) as $query) {
            if ($this->query(Components::dense($query), $condition) === true) {
                return true;
            }
        }

        return false;
    }

    /** @return list<float> the viewport widths in px at which the answer may change, each the first width of its range */
    public function breakpoints(): array
    {
        $found = [];
        preg_match_all('/\(\s*(min|max)-width\s*:\s*([\d.]+)(px|em|rem)\s*\)/i', $this->text, $colons, PREG_SET_ORDER);
        foreach ($colons as [, $bound, $number, $unit]) {
            $px = (float) $number * ($unit === 'px' ? 1 : 16);
            $found[] = strtolower($bound) === 'min' ? $px : floor($px) + 1;
        }
        $after = '/width\s*(?<operator><=?|>=?)\s*(?<number>[\d.]+)(?<unit>px|em|rem)/i';
        $before = '/(?<number>[\d.]+)(?<unit>px|em|rem)\s*(?<operator><=?|>=?)\s*width/i';
        foreach ([$after, $before] as $pattern) {
            preg_match_all($pattern, $this->text, $ranges, PREG_SET_ORDER);
            foreach ($ranges as $m) {
                $operator = $pattern === $after ? $m['operator'] : self::FLIPPED[$m['operator']];
                $px = (float) $m['number'] * (strtolower($m['unit']) === 'px' ? 1 : 16);
                $found[] = $operator === '>=' || $operator === '<' ? $px : floor($px) + 1;
            }
        }

        return $found;
    }

    /** @param  list<Component>  $c */
    private function query(array $c, Condition $condition): ?bool
    {
        if ($c === []) {
            return false;
        }
        $negated = false;
        if ($c[0]->isIdent('not') && isset($c[1]) && $c[1]->isIdent()) {
            $negated = true;
            array_shift($c);
        } elseif ($c[0]->isIdent('only')) {
            array_shift($c);
        }
        if ($c === [] || ! $c[0]->isIdent() || $c[0]->isIdent('not')) {
            return $this->condition($c, $condition);
        }
        $type = array_shift($c)->keyword();
        $rest = $c === [] ? null : array_slice($c, 1);
        if (in_array($type, ['and', 'or', 'layer'], true) || ($rest !== null && (! $c[0]->isIdent('and') || ! self::isCondition($rest, ['and'])))) {
            return null;
        }
        $answer = ($type === 'all' || $type === 'screen') ? ($rest === null ? true : $this->condition($rest, $condition)) : false;

        return $negated ? ($answer === null ? null : ! $answer) : $answer;
    }

    /**
     * `not` and an operand, or operands joined by one kind of word: Media Queries 4, section 3.
     *
     * @param  list<Component>  $c
     * @param  list<string>  $words
     */
    private static function isCondition(array $c, array $words): bool
    {
        if ($c !== [] && $c[0]->isIdent('not')) {
            return count($c) === 2 && self::isOperand($c[1]);
        }
        $operands = array_filter($c, static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY);
        $joins = array_unique(array_map(static fn (Component $x): string => $x->isIdent() ? $x->keyword() : '', array_diff_key($c, $operands)));

        return count($c) % 2 === 1 && array_filter($operands, self::isOperand(...)) === $operands && count($joins) < 2 && array_diff($joins, $words) === [];
    }

    private static function isOperand(Component $c): bool
    {
        return $c->type === TokenType::OPEN_PAREN || $c->isFunction();
    }

    /**
     * Three-valued, as Media Queries 4, section 3.1: null for what is unknown.
     *
     * @param  list<Component>  $c
     */
    private function condition(array $c, Condition $condition): ?bool
    {
        if (! self::isCondition($c, ['and', 'or'])) {
            return null;
        }
        if ($c[0]->isIdent('not')) {
            $inner = $this->inParens($c[1], $condition);

            return $inner === null ? null : ! $inner;
        }
        $answers = [];
        for ($i = 0; $i < count($c); $i += 2) {
            $answers[] = $this->inParens($c[$i], $condition);
        }
        // With `and` one that is false decides, with `or` one that is true; without one, what is unknown does.
        $decides = isset($c[1]) && $c[1]->isIdent('or');

        return in_array($decides, $answers, true) ? $decides : (in_array(null, $answers, true) ? null : ! $decides);
    }

    private function inParens(Component $c, Condition $condition): ?bool
    {
        if ($c->type !== TokenType::OPEN_PAREN) {
            return null;
        }
        $inside = Components::dense($c->children);
        if ($inside === []) {
            return null;
        }
        if (self::isOperand($inside[0]) || $inside[0]->isIdent('not')) {
            return $this->condition($inside, $condition);
        }

        return $this->feature($inside, $condition);
    }

    /** @param  non-empty-list<Component>  $c */
    private function feature(array $c, Condition $condition): ?bool
    {
        if (count($c) === 1) {
            return $c[0]->isIdent() ? $this->isTruthy($c[0]->keyword(), $condition) : null;
        }
        if ($c[0]->isIdent() && $c[1]->type === TokenType::COLON) {
            return $this->plain($c[0]->keyword(), array_slice($c, 2), $condition);
        }

        return $this->range($c, $condition);
    }

    private function isTruthy(string $name, Condition $condition): ?bool
    {
        if (isset(self::DISCRETE[$name])) {
            return ! in_array(self::DISCRETE[$name][0], self::FALSE_WORDS, true);
        }
        $actual = $this->actual($name, $condition);

        return $name === 'orientation' ? true : ($actual === null ? null : $actual != 0.0);
    }

    /** @param  list<Component>  $value */
    private function plain(string $name, array $value, Condition $condition): ?bool
    {
        $word = count($value) === 1 ? $value[0]->keyword() : '';
        if ($name === 'orientation') {
            return in_array($word, ['portrait', 'landscape'], true) ? $word === ($condition->height >= $condition->width ? 'portrait' : 'landscape') : null;
        }
        if (isset(self::DISCRETE[$name])) {
            [$answer, $words] = self::DISCRETE[$name];

            return in_array($word, explode(' ', $words), true) ? $word === $answer : null;
        }
        $operator = match (true) {
            str_contains($name, 'min-') => '>=',
            str_contains($name, 'max-') => '<=',
            default => '=',
        };
        $actual = $this->actual(str_replace(['min-', 'max-'], '', $name), $condition);
        $wanted = $this->number($value, $condition);

        return $actual === null || $wanted === null ? null : $this->compare($actual, $operator, $wanted);
    }

    /** @param  list<Component>  $c `width >= 600px`, `400px < width <= 700px` */
    private function range(array $c, Condition $condition): ?bool
    {
        $operands = [[]];
        $operators = [];
        foreach ($c as $i => $part) {
            if ($part->type === TokenType::DELIM && in_array($part->text, ['<', '>', '='], true)) {
                if ($part->text === '=' && $operators !== [] && isset($c[$i - 1]) && $c[$i - 1]->type === TokenType::DELIM) {
                    $operators[] = array_pop($operators).'=';
                } else {
                    $operators[] = $part->text;
                    $operands[] = [];
                }
            } else {
                $operands[array_key_last($operands)][] = $part;
            }
        }
        $nameAt = null;
        foreach ($operands as $i => $operand) {
            if (count($operand) === 1 && $operand[0]->isIdent()) {
                $nameAt = $i;
            }
        }
        // Two comparisons go the same way, around the name: Media Queries 4, 2.4.3.
        $isBetween = count($operators) === 2 && $nameAt === 1 && $operators[0][0] === $operators[1][0] && $operators[0] !== '=';
        if ($nameAt === null || count($operands) !== count($operators) + 1 || (count($operators) !== 1 && ! $isBetween)) {
            return null;
        }
        $actual = $this->actual($operands[$nameAt][0]->keyword(), $condition);
        foreach ($operators as $i => $operator) {
            $value = $this->number($operands[$i === $nameAt ? $i + 1 : $i], $condition);
            if ($actual === null || $value === null) {
                return null;
            }
            if (! $this->compare($actual, $i === $nameAt ? $operator : self::FLIPPED[$operator], $value)) {
                return false;
            }
        }

        return true;
    }

    private function actual(string $name, Condition $condition): ?float
    {
        return match ($name) {
            'width', 'device-width' => (float) $condition->width,
            'height', 'device-height' => (float) $condition->height,
            'aspect-ratio', 'device-aspect-ratio' => $condition->width / $condition->height,
            'resolution', '-webkit-device-pixel-ratio' => 1.0,
            'color' => 8.0,
            'color-index', 'monochrome' => 0.0,
            default => null,
        };
    }

    /** @param  list<Component>  $value */
    private function number(array $value, Condition $condition): ?float
    {
        if (count($value) === 3 && $value[1]->isDelim('/')) {
            return $value[2]->number == 0.0 ? INF : $value[0]->number / $value[2]->number;
        }
        if (count($value) !== 1) {
            return null;
        }
        $units = new Units((float) $condition->width, (float) $condition->height);
        $quantity = Calculation::isFunction($value[0]) ? Calculation::parse($value[0])?->resolve($units) : $units->resolve($value[0]->number, $value[0]->unit);

        return $value[0]->isIdent() ? null : $quantity?->single()[0] ?? null;
    }

    private function compare(float $actual, string $operator, float $wanted): bool
    {
        return match ($operator) {
            '>=' => $actual >= $wanted,
            '<=' => $actual <= $wanted,
            '>' => $actual > $wanted,
            '<' => $actual < $wanted,
            default => abs($actual - $wanted) < 0.0001,
        };
    }
}
