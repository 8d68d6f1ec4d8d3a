<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Sheet\Override;
use Insignum\Sheet\SheetReader;
use Insignum\Style\CompiledSheet;
use Insignum\Style\PaletteReader;
use Insignum\Style\SheetRule;
use Insignum\Style\StyleRule;
use Insignum\Syntax\Declaration;

/** Rules of a theme by name, property, value or colour, and overrides that begin where a rule is. */
final class ThemeSearch
{
    /** Colours no farther apart than this in OKLab count as near. */
    public const NEAR = 0.06;

    /** @param  list<CompiledSheet>  $sheets */
    public function __construct(private readonly array $sheets)
    {
    }

    /**
     * A colour in any notation finds itself and those near to it; anything else is looked for in selectors, property names and
     * values, all words of it in the same rule.
     *
     * @return list<ThemeHit> colours by their distance, everything else in source order
     */
    public function find(string $query): array
    {
        $query = trim($query);
        if ($query === '') {
            return [];
        }
        $colour = ColourSyntax::fixed($query);

        return $colour === null ? $this->byText($query) : $this->byColour($colour);
    }

    /** @return list<ThemeHit> the rules that use a custom property */
    public function using(string $variable): array
    {
        $pattern = '/var\(\s*'.preg_quote($variable, '/').'\s*[,)]/';

        return $this->hits(static fn (Declaration $d): bool => preg_match($pattern, $d->value) === 1);
    }

    /** An override that says what a rule says, where an override can: null for conditions that it has no words for. */
    public static function override(StyleRule $rule): ?Override
    {
        if ($rule->container !== null || $rule->scope !== null || $rule->layer !== '' || str_contains((string) $rule->selectors, '&')) {
            return null;
        }
        $lines = implode(' ', array_map(static fn (Declaration $d): string => "{$d->name}: {$d->value}".($d->important ? ' !important' : '').';', $rule->declarations()));
        $css = "{$rule->selectors} { $lines }";
        foreach ($rule->media as $media) {
            $css = "@media {$media->text} { $css }";
        }
        $entries = SheetReader::read($css, static fn (): string => '')->entries;

        return count($entries) === 1 && $entries[0] instanceof Override ? $entries[0] : null;
    }

    /** @return list<ThemeHit> */
    private function byText(string $query): array
    {
        $words = preg_split('/[\s:;{}]+/', strtolower($query), -1, PREG_SPLIT_NO_EMPTY) ?: [];
        $found = [];
        foreach ($this->rules() as $rule) {
            $selector = strtolower((string) $rule->rule->selectors);
            $left = array_filter($words, static fn (string $word): bool => ! str_contains($selector, $word));
            $declarations = array_values(array_filter($rule->rule->declarations(), static fn (Declaration $d): bool => array_filter($left ?: $words, static fn (string $word): bool => str_contains(strtolower("{$d->name}: {$d->value}"), $word)) !== []));
            $isFound = array_filter($left, static fn (string $word): bool => array_filter($declarations, static fn (Declaration $d): bool => str_contains(strtolower("{$d->name}: {$d->value}"), $word)) === []) === [];
            if ($words !== [] && $isFound) {
                $found[] = new ThemeHit($rule, $declarations);
            }
        }

        return $found;
    }

    /** @return list<ThemeHit> */
    private function byColour(Colour $colour): array
    {
        $found = [];
        foreach ($this->rules() as $rule) {
            $declarations = [];
            $nearest = null;
            foreach ($rule->rule->declarations() as $declaration) {
                $distances = array_map(static fn (Colour $c): float => $c->distance($colour), PaletteReader::in($declaration->value));
                if ($distances !== [] && min($distances) <= self::NEAR) {
                    $declarations[] = $declaration;
                    $nearest = min($nearest ?? INF, ...$distances);
                }
            }
            if ($nearest !== null) {
                $found[] = new ThemeHit($rule, $declarations, $nearest);
            }
        }
        usort($found, static fn (ThemeHit $a, ThemeHit $b): int => $a->distance <=> $b->distance);

        return $found;
    }

    /**
     * @param  callable(Declaration): bool  $accepts
     * @return list<ThemeHit>
     */
    private function hits(callable $accepts): array
    {
        $found = [];
        foreach ($this->rules() as $rule) {
            $declarations = array_values(array_filter($rule->rule->declarations(), $accepts));
            if ($declarations !== []) {
                $found[] = new ThemeHit($rule, $declarations);
            }
        }

        return $found;
    }

    /** @return iterable<SheetRule> each rule once, by the first of its selectors */
    private function rules(): iterable
    {
        $last = null;
        foreach (SheetRule::all($this->sheets) as $rule) {
            if ($rule->rule !== $last) {
                yield $rule;
            }
            $last = $rule->rule;
        }
    }
}
