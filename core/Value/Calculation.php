<?php

declare(strict_types=1);

namespace Insignum\Value;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/**
 * The math functions of CSS Values 4, section 10.
 *
 * A node is [operator, operands]: `value` holds [number, unit], the others hold nodes. What percentages or layout keep from
 * being one number stays a sum (a Quantity) or, for `min()` and its like, is written out again.
 *
 * @phpstan-type N array{string, list<mixed>}
 */
final readonly class Calculation
{
    private const FUNCTIONS = [
        'calc' => [1, 1], '-webkit-calc' => [1, 1], 'min' => [1, 99], 'max' => [1, 99], 'clamp' => [3, 3], 'round' => [1, 3], 'mod' => [2, 2], 'rem' => [2, 2],
        'sin' => [1, 1], 'cos' => [1, 1], 'tan' => [1, 1], 'asin' => [1, 1], 'acos' => [1, 1], 'atan' => [1, 1], 'atan2' => [2, 2],
        'pow' => [2, 2], 'sqrt' => [1, 1], 'hypot' => [1, 99], 'log' => [1, 2], 'exp' => [1, 1], 'abs' => [1, 1], 'sign' => [1, 1],
    ];

    private const CONSTANTS = ['e' => M_E, 'pi' => M_PI, 'infinity' => INF, '-infinity' => -INF, 'nan' => NAN];

    /** @param  N  $node */
    private function __construct(private array $node, public string $type)
    {
    }

    public static function isFunction(Component $component): bool
    {
        return $component->type === TokenType::FUNCTION && isset(self::FUNCTIONS[$component->keyword()]);
    }

    /**
     * Null where it isn't a valid calculation. `type` is the canonical unit of its result; lengths with percentages are `px`.
     *
     * @param  array<string, float>  $variables  names that stand for numbers, as the channels of a relative colour
     */
    public static function parse(Component $function, array $variables = []): ?self
    {
        try {
            $node = self::functionNode($function, $variables);

            return new self($node, self::typeOf($node));
        } catch (\DomainException) {
            return null;
        }
    }

    /** The result in canonical units, or null where it can't be one sum before layout is known. */
    public function resolve(Units $units): ?Quantity
    {
        return self::evaluate($this->node, $units);
    }

    /** The result as CSSOM writes it: a plain value, `calc()` of a sum, or the function with its arguments resolved. */
    public function serialise(Units $units): string
    {
        return self::write($this->node, $units, true);
    }

    /**
     * @param  array<string, float>  $variables
     * @return N
     */
    private static function functionNode(Component $function, array $variables): array
    {
        $name = $function->keyword();
        [$least, $most] = self::FUNCTIONS[$name] ?? throw new \DomainException;
        $parts = Components::split($function->children);
        $strategy = 'nearest';
        if ($name === 'round') {
            $first = Components::dense($parts[0]);
            if (count($first) === 1 && $first[0]->type === TokenType::IDENT && ! isset(self::CONSTANTS[$first[0]->keyword()])) {
                $strategy = $first[0]->keyword();
                array_shift($parts);
            }
        }
        if (count($parts) < $least || count($parts) > $most) {
            throw new \DomainException;
        }
        $operands = array_map(static fn (array $part): array => self::sum($part, $variables), $parts);
        if ($name === 'calc' || $name === '-webkit-calc') {
            return $operands[0];
        }

        return [$name === 'round' ? "round-$strategy" : $name, $operands];
    }

    /**
     * @param  list<Component>  $components  white space included: + and - need it on both sides
     * @param  array<string, float>  $variables
     * @return N
     */
    private static function sum(array $components, array $variables): array
    {
        $terms = [[]];
        $signs = [1];
        foreach ($components as $i => $component) {
            $spaced = ($components[$i - 1] ?? null)?->type === TokenType::WHITESPACE && ($components[$i + 1] ?? null)?->type === TokenType::WHITESPACE;
            if ($spaced && ($component->isDelim('+') || $component->isDelim('-'))) {
                $terms[] = [];
                $signs[] = $component->text === '-' ? -1 : 1;
            } else {
                $terms[array_key_last($terms)][] = $component;
            }
        }
        $nodes = [];
        foreach ($terms as $i => $term) {
            $node = self::product(Components::dense($term), $variables);
            $nodes[] = $signs[$i] < 0 ? ['negate', [$node]] : $node;
        }

        return count($nodes) === 1 ? $nodes[0] : ['sum', $nodes];
    }

    /**
     * @param  list<Component>  $components
     * @param  array<string, float>  $variables
     * @return N
     */
    private static function product(array $components, array $variables): array
    {
        $nodes = [];
        $invert = false;
        foreach ($components as $i => $component) {
            if ($i % 2 === 1) {
                if (! $component->isDelim('*') && ! $component->isDelim('/')) {
                    throw new \DomainException;
                }
                $invert = $component->text === '/';

                continue;
            }
            $node = self::operand($component, $variables);
            $nodes[] = $invert ? ['invert', [$node]] : $node;
        }
        if ($nodes === [] || count($components) % 2 === 0) {
            throw new \DomainException;
        }

        return count($nodes) === 1 ? $nodes[0] : ['product', $nodes];
    }

    /**
     * @param  array<string, float>  $variables
     * @return N
     */
    private static function operand(Component $component, array $variables): array
    {
        if (in_array($component->type, [TokenType::NUMBER, TokenType::PERCENTAGE, TokenType::DIMENSION], true)) {
            return Units::isKnown($component->unit) ? ['value', [$component->number, $component->unit]] : throw new \DomainException;
        }
        if ($component->type === TokenType::OPEN_PAREN) {
            return self::sum($component->children, $variables);
        }
        if ($component->type === TokenType::IDENT) {
            $value = $variables[$component->keyword()] ?? self::CONSTANTS[$component->keyword()] ?? throw new \DomainException;

            return ['value', [$value, '']];
        }

        return self::functionNode($component, $variables);
    }

    /** @param  N  $node */
    private static function typeOf(array $node): string
    {
        [$operator, $operands] = $node;
        if ($operator === 'value') {
            return Units::canonical($operands[1]) ?? throw new \DomainException;
        }
        $types = array_map(self::typeOf(...), $operands);
        switch ($operator) {
            case 'product':
                $dimensions = array_values(array_filter($types, static fn (string $t): bool => $t !== ''));

                return count($dimensions) > 1 ? throw new \DomainException : $dimensions[0] ?? '';
            case 'invert':
                return $types[0] === '' ? '' : throw new \DomainException;
            case 'sin': case 'cos': case 'tan':
                return $types[0] === '' || $types[0] === 'deg' ? '' : throw new \DomainException;
            case 'asin': case 'acos': case 'atan': case 'atan2':
                return 'deg';
            case 'pow': case 'sqrt': case 'exp': case 'log':
                return implode('', $types) === '' ? '' : throw new \DomainException;
            case 'sign':
                return '';
            default:
                return self::common($types);
        }
    }

    /** @param  list<string>  $types */
    private static function common(array $types): string
    {
        $types = array_values(array_unique($types));
        if (count($types) === 1) {
            return $types[0];
        }
        sort($types);

        return $types === ['%', 'px'] ? 'px' : throw new \DomainException;
    }

    /** @param  N  $node */
    private static function evaluate(array $node, Units $units): ?Quantity
    {
        [$operator, $operands] = $node;
        if ($operator === 'value') {
            return $units->resolve($operands[0], $operands[1]);
        }
        $values = [];
        foreach ($operands as $operand) {
            $values[] = self::evaluate($operand, $units);
        }
        if (in_array(null, $values, true)) {
            return null;
        }
        if ($operator === 'sum') {
            return array_reduce($values, static fn (?Quantity $sum, Quantity $value): Quantity => $sum?->plus($value) ?? $value);
        }
        if ($operator === 'negate') {
            return $values[0]->times(-1);
        }
        if ($operator === 'product') {
            $product = array_reduce($values, static fn (float $f, Quantity $v): float => $f * ($v->in('') ?? 1.0), 1.0);
            foreach ($values as $value) {
                if ($value->in('') === null) {
                    return $value->times($product);
                }
            }

            return Quantity::of($product, '');
        }
        $unit = $values[0]->unit();
        $numbers = [];
        foreach ($values as $value) {
            if ($unit === null || $value->in($unit) === null) {
                return null;
            }
            $numbers[] = $value->in($unit);
        }

        return $unit === null || $numbers === [] ? null : self::compute($operator, $numbers, $unit);
    }

    /** @param  non-empty-list<float>  $n */
    private static function compute(string $operator, array $n, string $unit): Quantity
    {
        $radians = $unit === 'deg' ? deg2rad($n[0]) : $n[0];

        return match ($operator) {
            'invert' => Quantity::of($n[0] == 0.0 ? INF : 1 / $n[0], ''),
            'min' => Quantity::of(min($n), $unit),
            'max' => Quantity::of(max($n), $unit),
            'clamp' => Quantity::of(max($n[0], min($n[1], $n[2])), $unit),
            'abs' => Quantity::of(abs($n[0]), $unit),
            'sign' => Quantity::of((float) ($n[0] <=> 0.0), ''),
            'mod' => Quantity::of($n[1] == 0.0 ? NAN : $n[0] - $n[1] * floor($n[0] / $n[1]), $unit),
            'rem' => Quantity::of($n[1] == 0.0 ? NAN : fmod($n[0], $n[1]), $unit),
            'sin' => Quantity::of(sin($radians), ''),
            'cos' => Quantity::of(cos($radians), ''),
            'tan' => Quantity::of(tan($radians), ''),
            'asin' => Quantity::of(rad2deg(asin($n[0])), 'deg'),
            'acos' => Quantity::of(rad2deg(acos($n[0])), 'deg'),
            'atan' => Quantity::of(rad2deg(atan($n[0])), 'deg'),
            'atan2' => Quantity::of(rad2deg(atan2($n[0], $n[1] ?? 1.0)), 'deg'),
            'pow' => Quantity::of($n[0] ** ($n[1] ?? 1.0), ''),
            'sqrt' => Quantity::of(sqrt($n[0]), ''),
            'exp' => Quantity::of(exp($n[0]), ''),
            'log' => Quantity::of(isset($n[1]) ? log($n[0], $n[1]) : log($n[0]), ''),
            'hypot' => Quantity::of(sqrt(array_sum(array_map(static fn (float $x): float => $x * $x, $n))), $unit),
            default => Quantity::of(self::round(substr($operator, 6), $n[0], $n[1] ?? 1.0), $unit),
        };
    }

    private static function round(string $strategy, float $value, float $step): float
    {
        if ($step == 0.0) {
            return NAN;
        }
        $ratio = $value / $step;

        return $step * match ($strategy) {
            'up' => ceil($ratio),
            'down' => floor($ratio),
            'to-zero' => $ratio < 0 ? ceil($ratio) : floor($ratio),
            default => floor($ratio + 0.5),
        };
    }

    /** @param  array{string, list<mixed>}  $node */
    private static function write(array $node, Units $units, bool $outermost): string
    {
        $value = self::evaluate($node, $units);
        if ($value !== null) {
            $text = (string) $value;

            return $outermost || ! str_starts_with($text, 'calc(') ? $text : substr($text, 5, -1);
        }
        /** @var list<array{string, list<mixed>}> $operands */
        [$operator, $operands] = $node;
        $parts = array_map(/** @param  array{string, list<mixed>}  $operand */ static fn (array $operand): string => self::write($operand, $units, false), $operands);
        if ($operator === 'sum' || $operator === 'product' || $operator === 'negate') {
            $text = match ($operator) {
                'sum' => implode(' + ', $parts),
                'product' => implode(' * ', $parts),
                default => '-1 * '.$parts[0],
            };

            return $outermost ? "calc($text)" : "($text)";
        }

        return str_starts_with($operator, 'round-')
            ? 'round('.($operator === 'round-nearest' ? '' : substr($operator, 6).', ').implode(', ', $parts).')'
            : "$operator(".implode(', ', $parts).')';
    }
}
