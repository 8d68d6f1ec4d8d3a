<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Page\Page;

/**
 * A class or an attribute that some elements put on for a look: a sleeping state that is switched on.
 *
 * `part` is a class or attribute selector (`.is-open`, `[open]`, `[aria-expanded="true"]`), `on` selects what wears it.
 */
final readonly class Wear
{
    public function __construct(public string $on, public string $part)
    {
    }

    /** @return list<int> the elements of a page that would put it on */
    public function hosts(Page $page): array
    {
        try {
            $elements = (new Matcher($page))->selectAny(SelectorParser::parse($this->on));
        } catch (InvalidSelector) {
            return [];
        }

        return array_values(array_filter($elements, fn (int $e): bool => ! $this->isWorn($page, $e)));
    }

    /** The page with it on; the page itself where nothing would wear it. */
    public function put(Page $page): Page
    {
        $hosts = $this->hosts($page);
        [$name, $value] = $this->name();

        return $hosts === [] || $name === '' ? $page : $page->wearing($hosts, $name, $value);
    }

    /**
     * What it is, without its marks.
     *
     * @return array{string, ?string} the name, and the value of an attribute; null for a class
     */
    public function name(): array
    {
        try {
            $compound = SelectorParser::parse($this->part)->selectors[0]->compounds[0];
        } catch (InvalidSelector) {
            return ['', null];
        }
        $attribute = $compound->attributes[0] ?? null;

        return $attribute === null ? [$compound->classes[0] ?? '', null] : [$attribute->name, $attribute->value];
    }

    /** A selector with the state in it: on the step that it goes on, or else before the whole. */
    public function into(string $selector): string
    {
        return implode(', ', array_map($this->intoOne(...), SelectorText::split($selector)));
    }

    /** A selector without the state. */
    public function outOf(string $selector): string
    {
        return implode(', ', array_map(function (string $complex): string {
            $prefix = "{$this->on}{$this->part} ";
            if (str_starts_with($complex, $prefix)) {
                return substr($complex, strlen($prefix));
            }
            $steps = array_map(fn (array $step): array => [$step[0], array_values(array_diff($step[1], [$this->part]))], SelectorText::steps($complex));

            return SelectorText::join($steps);
        }, SelectorText::split($selector)));
    }

    private function intoOne(string $complex): string
    {
        $steps = SelectorText::steps($complex);
        $own = SelectorText::steps($this->on);
        $host = $own[count($own) - 1][1];
        foreach ($steps as $i => [, $simples]) {
            if (in_array($this->part, $simples, true)) {
                return $complex;
            }
            if ($host !== [] && array_diff($host, $simples) === []) {
                // It follows the last of the parts that say what it is on.
                $at = max(array_map(static fn (string $simple): int => (int) array_search($simple, $simples, true), $host)) + 1;
                array_splice($steps[$i][1], $at, 0, [$this->part]);

                return SelectorText::join($steps);
            }
        }

        return $this->on.$this->part.' '.$complex;
    }

    private function isWorn(Page $page, int $element): bool
    {
        [$name, $value] = $this->name();

        return $value === null ? $page->hasClass($element, $name) : $page->attribute($element, $name) === $value;
    }
}
