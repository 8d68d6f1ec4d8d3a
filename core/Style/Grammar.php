<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Colour\ColourSyntax;
use Insignum\Style\Value\FontSize;
use Insignum\Style\Value\FontWeight;
use Insignum\Style\Value\FromEnd;
use Insignum\Style\Value\Keyword;
use Insignum\Style\Value\LineHeight;
use Insignum\Style\Value\LineWidth;
use Insignum\Style\Value\Numeric;
use Insignum\Style\Value\Pair;
use Insignum\Style\Value\Sequence;
use Insignum\Style\Value\Specified;
use Insignum\Style\Value\Tint;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\Ident;
use Insignum\Syntax\TokenType;
use Insignum\Value\Calculation;
use Insignum\Value\Number;
use Insignum\Value\Units;

/** The value grammars of the property table: from component values to a specified value, or null where it is invalid. */
final class Grammar
{
    private readonly Images $images;

    private readonly Functions $functions;

    public function __construct()
    {
        $this->images = new Images($this);
        $this->functions = new Functions($this);
    }

    /** @param  list<Component>  $value */
    public function parse(Property $property, array $value): ?Specified
    {
        $c = Components::dense($value);
        if ($c === []) {
            return null;
        }

        return match ($property->grammar) {
            'colour' => $this->keyword($c, $property->keywords) ?? $this->colour($c),
            'integer' => $this->keyword($c, $property->keywords) ?? $this->integer($c),
            'number' => count($c) === 1 && $c[0]->number >= 0 ? $this->numeric($c[0], '') : null,
            'number-length' => count($c) === 1 && $c[0]->number >= 0 ? $this->numeric($c[0], '', 'px') : null,
            'keyword' => $this->keyword($c, $property->keywords),
            'keywords' => $this->commas($c, fn (array $part): ?Specified => $this->keyword($part, $property->keywords)),
            'words' => new Keyword($this->words($c)),
            'image' => $this->image($c),
            'images' => $this->commas($c, $this->image(...)),
            'repeats' => $this->commas($c, $this->repeat(...)),
            'sizes' => $this->commas($c, $this->backgroundSize(...)),
            'positions-x' => $this->commas($c, fn (array $part): ?Specified => $this->axis($part, 'left', 'right')),
            'positions-y' => $this->commas($c, fn (array $part): ?Specified => $this->axis($part, 'top', 'bottom')),
            'line-width' => $this->lineWidth($c),
            'length' => count($c) === 1 ? $this->length($c[0]) : null,
            'length-percentage' => $this->lengthPercentage($c, $property),
            'radius' => $this->radius($c),
            'shadows' => $this->shadows($c, true),
            'text-shadows' => $this->shadows($c, false),
            'decoration-line' => $this->decorationLine($c),
            'font-size' => $this->fontSize($c),
            'font-weight' => $this->fontWeight($c),
            'font-style' => $this->fontStyle($c),
            'font-family' => $this->fontFamily($value),
            'line-height' => $this->lineHeight($c),
            'opacity' => $this->opacity($c),
            'display' => $this->display($c),
            'list-type' => $this->listType($c),
            'slice' => $this->slice($c),
            'sides' => $this->sides($c, $property->keywords),
            'repeat-pair' => $this->pair($c, $property->keywords),
            'size' => $this->size($c, $property->keywords),
            'pattern' => $this->checked($c, preg_match($property->keywords[0], $this->words($c)) === 1),
            'transforms' => $this->checked($c, $this->functions->areAll($c, Functions::TRANSFORMS)),
            'filters' => $this->checked($c, $this->functions->areAll($c, Functions::FILTERS)),
            'times' => $this->checked($c, $this->functions->areTimes($c, 0.0)),
            'delays' => $this->checked($c, $this->functions->areTimes($c, -INF)),
            'transitions' => $this->checked($c, $this->functions->areTransitions($c)),
            'animations' => $this->checked($c, $this->functions->areAnimations($c)),
            default => throw new \LogicException("No grammar named {$property->grammar}"),
        };
    }

    /** @param  list<Component>  $c */
    private function checked(array $c, bool $isTaken): ?Specified
    {
        return $isTaken ? new Keyword($this->words($c)) : null;
    }

    /** @param  list<Component>  $c */
    public function isDropShadow(array $c): bool
    {
        return $this->shadow($c, false) !== null;
    }

    /** @param  list<Component>  $c */
    public function colour(array $c): ?Specified
    {
        $colour = count($c) === 1 ? ColourSyntax::parse($c[0]) : null;

        return $colour === null ? null : new Tint($colour);
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $keywords
     */
    private function keyword(array $c, array $keywords): ?Specified
    {
        return count($c) === 1 && $c[0]->isIdent() && in_array($c[0]->keyword(), $keywords, true) ? new Keyword($c[0]->keyword()) : null;
    }

    /**
     * @param  list<Component>  $c
     * @param  callable(list<Component>): ?Specified  $parse
     */
    private function commas(array $c, callable $parse): ?Specified
    {
        $layers = array_map($parse, Components::split($c));

        return in_array(null, $layers, true) ? null : (count($layers) === 1 ? $layers[0] : new Sequence($layers, ', '));
    }

    /** A length; unitless zero counts as one. */
    public function length(Component $c, ?float $least = null): ?Numeric
    {
        $numeric = $this->lengthOrPercentage($c, $least);

        return $numeric !== null && $this->typeOf($c) !== '%' && ! str_contains($c->raw, '%') ? $numeric : null;
    }

    public function lengthOrPercentage(Component $c, ?float $least = null): ?Numeric
    {
        if ($c->type === TokenType::NUMBER) {
            return $c->number == 0.0 ? new Numeric(new Component(TokenType::DIMENSION, '0px', 0.0, 'px'), null) : null;
        }
        if (! in_array($this->typeOf($c), ['px', '%'], true)) {
            return null;
        }
        if ($least !== null && ! Calculation::isFunction($c) && $c->number < $least) {
            return null;
        }

        return new Numeric($c, Calculation::isFunction($c) ? Calculation::parse($c) : null, $least);
    }

    /** A number, percentage or angle whose canonical unit is among those given. */
    public function numeric(Component $c, string ...$units): ?Numeric
    {
        return in_array($this->typeOf($c), $units, true) ? new Numeric($c, Calculation::isFunction($c) ? Calculation::parse($c) : null) : null;
    }

    private function typeOf(Component $c): ?string
    {
        if (Calculation::isFunction($c)) {
            return Calculation::parse($c)?->type;
        }

        return in_array($c->type, [TokenType::NUMBER, TokenType::PERCENTAGE, TokenType::DIMENSION], true) ? Units::canonical($c->unit) : null;
    }

    /**
     * As written, with keywords in lower case and single spaces.
     *
     * @param  list<Component>  $c
     */
    private function words(array $c): string
    {
        return implode(' ', array_map(static fn (Component $part): string => $part->isIdent() ? $part->keyword() : $part->raw, $c));
    }

    /** @param  list<Component>  $c */
    public function image(array $c): ?Specified
    {
        return count($c) === 1 ? $this->images->parse($c[0]) : null;
    }

    /** @param  list<Component>  $c */
    private function repeat(array $c): ?Specified
    {
        $words = array_map(static fn (Component $part): string => $part->isIdent() ? $part->keyword() : '', $c);
        $single = ['repeat', 'no-repeat', 'space', 'round'];
        if (count($words) === 1) {
            return in_array($words[0], [...$single, 'repeat-x', 'repeat-y'], true) ? new Keyword($words[0]) : null;
        }
        if (count($words) !== 2 || array_diff($words, $single) !== []) {
            return null;
        }

        return new Keyword(match (true) {
            $words[0] === $words[1] => $words[0],
            $words === ['repeat', 'no-repeat'] => 'repeat-x',
            $words === ['no-repeat', 'repeat'] => 'repeat-y',
            default => implode(' ', $words),
        });
    }

    /** @param  list<Component>  $c */
    private function backgroundSize(array $c): ?Specified
    {
        if (count($c) === 1 && ($c[0]->isIdent('cover') || $c[0]->isIdent('contain'))) {
            return new Keyword($c[0]->keyword());
        }
        $parts = array_map(fn (Component $part): ?Specified => $part->isIdent('auto') ? new Keyword('auto') : $this->lengthOrPercentage($part, 0.0), $c);
        if (count($parts) > 2 || in_array(null, $parts, true)) {
            return null;
        }
        if (array_filter($c, static fn (Component $part): bool => ! $part->isIdent('auto')) === []) {
            return new Keyword('auto');
        }

        return new Sequence(count($parts) === 1 ? [$parts[0], new Keyword('auto')] : $parts, ' ');
    }

    /** @param  list<Component>  $c */
    private function axis(array $c, string $start, string $end): ?Specified
    {
        $first = $c[0] ?? null;
        if ($first === null || count($c) > 2) {
            return null;
        }
        if (count($c) === 1) {
            return match (true) {
                $first->isIdent('center') => new Keyword('50%'),
                $first->isIdent($start) => new Keyword('0%'),
                $first->isIdent($end) => new Keyword('100%'),
                default => $this->lengthOrPercentage($first),
            };
        }
        $offset = $this->lengthOrPercentage($c[1]);

        return $offset === null ? null : match (true) {
            $first->isIdent($start) => $offset,
            $first->isIdent($end) => new FromEnd($offset),
            default => null,
        };
    }

    /** @param  list<Component>  $c */
    private function lineWidth(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        if ($c[0]->isIdent()) {
            return LineWidth::isKeyword($c[0]->keyword()) ? new LineWidth($c[0]->keyword()) : null;
        }
        $length = $this->length($c[0], 0.0);

        return $length === null ? null : new LineWidth($length);
    }

    /** @param  list<Component>  $c */
    private function lengthPercentage(array $c, Property $property): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        $least = str_starts_with($property->name, 'padding') ? 0.0 : null;

        return $this->keyword($c, $property->keywords) ?? $this->lengthOrPercentage($c[0], $least);
    }

    /** @param  list<Component>  $c */
    private function radius(array $c): ?Specified
    {
        $parts = array_map(fn (Component $part): ?Specified => $this->lengthOrPercentage($part, 0.0), $c);
        if (count($parts) > 2 || in_array(null, $parts, true)) {
            return null;
        }

        return count($parts) === 1 ? $parts[0] : new Pair($parts[0], $parts[1]);
    }

    /** @param  list<Component>  $c */
    private function shadows(array $c, bool $box): ?Specified
    {
        if (count($c) === 1 && $c[0]->isIdent('none')) {
            return new Keyword('none');
        }

        return $this->commas($c, fn (array $part): ?Specified => $this->shadow($part, $box));
    }

    /** @param  list<Component>  $c */
    private function shadow(array $c, bool $box): ?Specified
    {
        $colour = $inset = null;
        $lengths = [];
        $isLength = false;
        foreach ($c as $part) {
            $wasLength = $isLength;
            $length = $this->length($part, count($lengths) === 2 ? 0.0 : null);
            $isLength = $length !== null;
            if ($length !== null && ($lengths === [] || $wasLength)) {
                $lengths[] = $length;
            } elseif ($box && $inset === null && $part->isIdent('inset')) {
                $inset = new Keyword('inset');
            } elseif ($isLength || $colour !== null || ($colour = $this->colour([$part])) === null) {
                return null;
            }
        }
        $most = $box ? 4 : 3;
        if (count($lengths) < 2 || count($lengths) > $most) {
            return null;
        }
        $lengths = array_pad($lengths, $most, new Keyword('0px'));
        $currentColour = $this->colour(Components::parse('currentcolor'));

        return new Sequence(array_values(array_filter([$colour ?? $currentColour, ...$lengths, $inset])), ' ');
    }

    /** @param  list<Component>  $c */
    private function decorationLine(array $c): ?Specified
    {
        $order = ['underline', 'overline', 'line-through', 'blink', 'spelling-error', 'grammar-error'];
        $words = array_map(static fn (Component $part): string => $part->isIdent() ? $part->keyword() : '', $c);
        if ($words === ['none']) {
            return new Keyword('none');
        }

        return array_diff($words, $order) === [] && count(array_unique($words)) === count($words) && (count($words) === 1 || array_intersect($words, ['spelling-error', 'grammar-error']) === []) ? new Keyword(implode(' ', array_intersect($order, $words))) : null;
    }

    /** @param  list<Component>  $c */
    private function fontSize(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        if ($c[0]->isIdent()) {
            return FontSize::isKeyword($c[0]->keyword()) ? new FontSize($c[0]->keyword()) : null;
        }
        // A share of the parent's size is so many em: calculations need no other base then.
        $part = Calculation::isFunction($c[0]) && str_contains($c[0]->raw, '%')
            ? Components::parse((string) preg_replace_callback('/([\d.]+(?:e[+-]?\d+)?)%/i', static fn (array $m): string => ((float) $m[1] / 100).'em', $c[0]->raw))[0]
            : $c[0];
        $size = $this->lengthOrPercentage($part, 0.0);

        return $size === null ? null : new FontSize($size);
    }

    /** @param  list<Component>  $c */
    private function fontWeight(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        if ($c[0]->isIdent()) {
            return match ($c[0]->keyword()) {
                'normal' => new Keyword('400'),
                'bold' => new Keyword('700'),
                'bolder' => new FontWeight(true),
                'lighter' => new FontWeight(false),
                default => null,
            };
        }

        return $c[0]->type === TokenType::NUMBER && ($c[0]->number < 1 || $c[0]->number > 1000) ? null : $this->numeric($c[0], '');
    }

    /** @param  list<Component>  $c */
    private function fontStyle(array $c): ?Specified
    {
        if (count($c) === 2 && $c[0]->isIdent('oblique')) {
            $angle = $this->numeric($c[1], 'deg');

            return $angle === null || (! Calculation::isFunction($c[1]) && abs($c[1]->number * (['turn' => 360, 'rad' => 180 / M_PI, 'grad' => 0.9][$c[1]->unit] ?? 1)) > 90) ? null : new Sequence([new Keyword('oblique'), $angle], ' ');
        }

        return $this->keyword($c, ['normal', 'italic', 'oblique']);
    }

    /** @param  list<Component>  $value white space included */
    private function fontFamily(array $value): ?Specified
    {
        $names = [];
        foreach (Components::split($value) as $part) {
            $dense = Components::dense($part);
            if (count($dense) === 1 && $dense[0]->type === TokenType::STRING) {
                $names[] = preg_match('/\A[a-zA-Z_-][\w-]*\z/', $dense[0]->text) ? $dense[0]->text : Ident::quote($dense[0]->text);
            } elseif ($dense !== [] && array_filter($dense, static fn (Component $c): bool => ! $c->isIdent()) === []) {
                $name = implode(' ', array_map(static fn (Component $c): string => $c->text, $dense));
                $names[] = count($dense) > 1 ? Ident::quote($name) : $name;
            } else {
                return null;
            }
        }

        return new Keyword(implode(', ', $names));
    }

    /** @param  list<Component>  $c */
    private function lineHeight(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        if ($c[0]->isIdent('normal')) {
            return new Keyword('normal');
        }
        $value = $this->numeric($c[0], '', 'px', '%');

        return $value === null || $c[0]->number < 0 ? null : new LineHeight($value);
    }

    /** @param  list<Component>  $c */
    private function opacity(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        if ($c[0]->type === TokenType::PERCENTAGE) {
            return new Keyword(Number::format(max(0.0, min(1.0, $c[0]->number / 100))));
        }

        return $this->typeOf($c[0]) === '' ? new Numeric($c[0], Calculation::isFunction($c[0]) ? Calculation::parse($c[0]) : null, 0.0, 1.0) : null;
    }

    /** @param  list<Component>  $c */
    private function display(array $c): ?Specified
    {
        $text = $this->words($c);
        $single = ' none contents block inline inline-block flow-root flex inline-flex grid inline-grid table inline-table list-item '
            .'table-row-group table-header-group table-footer-group table-row table-cell table-column-group table-column table-caption '
            .'ruby ruby-text math -webkit-box -webkit-inline-box -webkit-flex -webkit-inline-flex ';
        if (str_contains($single, " $text ")) {
            return new Keyword(match ($text) {
                '-webkit-flex' => 'flex',
                '-webkit-inline-flex' => 'inline-flex',
                default => $text,
            });
        }
        $short = [
            'block flow' => 'block', 'flow' => 'block', 'block flow-root' => 'flow-root', 'inline flow' => 'inline', 'inline flow-root' => 'inline-block',
            'block flex' => 'flex', 'inline flex' => 'inline-flex', 'block grid' => 'grid', 'inline grid' => 'inline-grid',
            'block table' => 'table', 'inline table' => 'inline-table', 'block flow list-item' => 'list-item', 'inline ruby' => 'ruby', 'block math' => 'block math', 'inline math' => 'math', 'inline list-item' => 'inline list-item', 'inline flow list-item' => 'inline list-item', 'list-item block' => 'list-item', 'block list-item' => 'list-item',
        ];

        // The words may stand in any order: Display 3, section 2.
        $found = $short[$text] ?? $short[implode(' ', array_reverse(explode(' ', $text)))] ?? null;

        return $found === null ? null : new Keyword($found);
    }

    /** @param  list<Component>  $c */
    private function listType(array $c): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }

        return match ($c[0]->type) {
            TokenType::STRING => new Keyword(Ident::quote($c[0]->text)),
            TokenType::IDENT => new Keyword($c[0]->text),
            TokenType::FUNCTION => $c[0]->isFunction('symbols') ? new Keyword($c[0]->raw) : null,
            default => null,
        };
    }

    /** @param  list<Component>  $c */
    private function slice(array $c): ?Specified
    {
        $fill = array_filter($c, static fn (Component $part): bool => $part->isIdent('fill')) !== [];
        $numbers = array_values(array_filter($c, static fn (Component $part): bool => ! $part->isIdent('fill')));
        $parts = array_map(fn (Component $part): ?Specified => $this->numeric($part, '', '%'), $numbers);
        if ($parts === [] || count($parts) > 4 || in_array(null, $parts, true)) {
            return null;
        }

        return new Sequence($fill ? [...$parts, new Keyword('fill')] : $parts, ' ');
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $keywords
     */
    private function sides(array $c, array $keywords): ?Specified
    {
        $parts = array_map(fn (Component $part): ?Specified => $this->keyword([$part], $keywords) ?? ($part->type === TokenType::NUMBER ? $this->numeric($part, '') : $this->lengthOrPercentage($part, 0.0)), $c);

        return count($parts) > 4 || in_array(null, $parts, true) ? null : new Sequence($parts, ' ');
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $keywords
     */
    private function pair(array $c, array $keywords): ?Specified
    {
        $parts = array_map(fn (Component $part): ?Specified => $this->keyword([$part], $keywords), $c);

        return count($parts) > 2 || in_array(null, $parts, true) ? null : new Sequence(count($c) === 2 && $c[0]->text === $c[1]->text ? [$parts[0]] : $parts, ' ');
    }

    /** @param  list<Component>  $c */
    private function integer(array $c): ?Specified
    {
        if (count($c) !== 1 || $this->typeOf($c[0]) !== '') {
            return null;
        }

        return Calculation::isFunction($c[0]) || preg_match('/\A[+-]?\d+\z/', $c[0]->raw) === 1 ? new Keyword($c[0]->raw) : null;
    }

    /**
     * @param  list<Component>  $c
     * @param  list<string>  $keywords
     */
    private function size(array $c, array $keywords): ?Specified
    {
        if (count($c) !== 1) {
            return null;
        }
        $sizes = ['min-content', 'max-content', 'fit-content', 'stretch', '-webkit-fill-available', '-webkit-fit-content'];

        return $this->keyword($c, $keywords === ['normal'] ? $keywords : [...$keywords, ...$sizes]) ?? $this->lengthOrPercentage($c[0], 0.0);
    }
}
