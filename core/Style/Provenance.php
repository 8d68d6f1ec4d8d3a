<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\Components;

/** Where the value of one property of one element, or of one of its pseudo-elements, comes from: Cascade 5, sections 4 to 7. */
final readonly class Provenance
{
    /** Custom properties that use each other are followed this far. */
    private const DEEPEST = 8;

    /**
     * @param  list<Contender>  $contenders  in cascade order, the winner first; none where the value is the initial one
     * @param  ?int  $inheritedFrom  the element whose contenders these are, where the value was inherited
     * @param  list<VariableSource>  $variables  the custom properties in the winner's value, each followed by those it uses
     * @param  list<Contender>  $conditional  those of container queries that would win, if their container had the size
     */
    private function __construct(public string $property, public array $contenders, public ?int $inheritedFrom, public array $variables, public array $conditional)
    {
    }

    public static function of(PageStyles $styles, int $element, string $property, bool $inherits, ?string $pseudo = null): self
    {
        $cascade = $styles->cascade;
        $contenders = $cascade->contenders($element, $property, $pseudo);
        $conditional = $pseudo === null ? self::winning($cascade->contenders($element, $property, Matching::CONTAINED), $contenders) : [];
        $at = $element;
        $inheritedFrom = null;
        $above = $pseudo === null ? $styles->page->parents[$element] : $element;
        for (; $contenders === [] && $inherits && $above >= 0; $above = $styles->page->parents[$above]) {
            $contenders = $cascade->contenders($above, $property);
            if ($contenders !== []) {
                $at = $inheritedFrom = $above;
                $conditional = self::winning($cascade->contenders($above, $property, Matching::CONTAINED), $contenders);
            }
        }
        $variables = $contenders === [] ? [] : self::variables($styles, $at, $contenders[0]->setting->declaration->value, $inheritedFrom === null ? $pseudo : null, []);

        return new self($property, $contenders, $inheritedFrom, array_values($variables), $conditional);
    }

    /** Whether the size of a container, which only a layout can tell, may decide. */
    public function dependsOnLayout(): bool
    {
        return $this->conditional !== [];
    }

    /**
     * @param  list<Contender>  $conditional
     * @param  list<Contender>  $contenders
     * @return list<Contender>
     */
    private static function winning(array $conditional, array $contenders): array
    {
        return array_values(array_filter($conditional, static fn (Contender $c): bool => $contenders === [] || $c->key > $contenders[0]->key));
    }

    /**
     * @param  array<string, VariableSource>  $known
     * @return array<string, VariableSource> by name
     */
    private static function variables(PageStyles $styles, int $element, string $value, ?string $pseudo, array $known): array
    {
        foreach (self::names(Components::parse($value)) as $name) {
            $source = isset($known[$name]) || count($known) >= self::DEEPEST ? null : self::source($styles, $element, $name, $pseudo);
            if ($source !== null) {
                $known[$name] = $source;
                $known = self::variables($styles, $source->element, $source->setBy->setting->declaration->value, null, $known);
            }
        }

        return $known;
    }

    private static function source(PageStyles $styles, int $element, string $name, ?string $pseudo): ?VariableSource
    {
        $value = $styles->style($element)->custom[$name] ?? '';
        $own = $pseudo === null ? [] : $styles->cascade->contenders($element, $name, $pseudo);
        if ($own !== []) {
            return new VariableSource($name, $element, $own[0], $own[0]->setting->declaration->value);
        }
        for ($at = $element; $at >= 0; $at = $styles->page->parents[$at]) {
            $contenders = $styles->cascade->contenders($at, $name);
            if ($contenders !== []) {
                return new VariableSource($name, $at, $contenders[0], $value);
            }
        }

        return null;
    }

    /**
     * @param  list<Component>  $components
     * @return list<string> the names in every var(), the outer ones first
     */
    private static function names(array $components): array
    {
        $names = [];
        foreach ($components as $component) {
            $first = $component->isFunction('var') ? Components::dense($component->children)[0] ?? null : null;
            if ($first !== null && $first->isIdent()) {
                $names[] = $first->text;
            }
            array_push($names, ...self::names($component->children));
        }

        return array_values(array_unique($names));
    }
}
