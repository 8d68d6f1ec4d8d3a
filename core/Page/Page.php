<?php

declare(strict_types=1);

namespace Insignum\Page;

/**
 * A page as columns over its elements in document order, element 0 being `html`.
 *
 * The subtree of element i is the range i up to, not including, `ends[i]`. Foreign (SVG, MathML) elements keep the case
 * of their tag; all others are lower-case.
 */
final readonly class Page
{
    /** @var array<string, list<int>> */
    public array $byTag;

    /** @var array<string, list<int>> */
    public array $byClass;

    /** @var array<string, list<int>> */
    public array $byId;

    /** @var list<int> position among the element siblings, from 0 */
    public array $positions;

    /** @var list<list<int>> */
    public array $children;

    /**
     * @param  list<string>  $tags
     * @param  list<int>  $parents  -1 for the root
     * @param  list<int>  $ends
     * @param  list<array<string, string>>  $attributes
     * @param  list<list<string>>  $classes
     * @param  list<string>  $texts  the text directly in the element, white space folded
     * @param  list<bool>  $hasContent  whether it holds any text or element at all, for `:empty`
     * @param  list<StyleSource>  $sheets  what the page links or holds as stylesheets, in order
     * @param  array<int, true>  $foreign  the SVG and MathML elements
     */
    public function __construct(
        public array $tags,
        public array $parents,
        public array $ends,
        public array $attributes,
        public array $classes,
        public array $texts,
        public array $hasContent,
        public array $sheets,
        public array $foreign,
        public string $title,
        public string $language,
        public bool $quirks,
    ) {
        $byTag = $byClass = $byId = $positions = [];
        $children = array_fill(0, count($tags), []);
        foreach ($tags as $element => $tag) {
            $byTag[$tag][] = $element;
            foreach ($classes[$element] as $class) {
                $byClass[$class][] = $element;
            }
            if (isset($attributes[$element]['id'])) {
                $byId[$attributes[$element]['id']][] = $element;
            }
            $parent = $parents[$element];
            $positions[] = $parent < 0 ? 0 : count($children[$parent]);
            if ($parent >= 0) {
                $children[$parent][] = $element;
            }
        }
        $this->byTag = $byTag;
        $this->byClass = $byClass;
        $this->byId = $byId;
        $this->positions = $positions;
        $this->children = $children;
    }

    public function count(): int
    {
        return count($this->tags);
    }

    public function attribute(int $element, string $name): ?string
    {
        return $this->attributes[$element][$name] ?? null;
    }

    public function hasClass(int $element, string $class): bool
    {
        return in_array($class, $this->classes[$element], true);
    }

    /** The list of child indexes from `html`, joined by dots: `1.0.3`; the root's is empty. */
    public function path(int $element): string
    {
        $steps = [];
        for (; $this->parents[$element] >= 0; $element = $this->parents[$element]) {
            $steps[] = $this->positions[$element];
        }

        return implode('.', array_reverse($steps));
    }

    /** The element at a path, or null where the page has none. */
    public function at(string $path): ?int
    {
        $element = 0;
        foreach ($path === '' ? [] : explode('.', $path) as $step) {
            $element = ctype_digit($step) ? ($this->children[$element][(int) $step] ?? null) : null;
            if ($element === null) {
                return null;
            }
        }

        return $element;
    }

    /** @return list<int> from the root down to the element itself */
    public function line(int $element): array
    {
        $line = [];
        for (; $element >= 0; $element = $this->parents[$element]) {
            $line[] = $element;
        }

        return array_reverse($line);
    }

    /** All text in the element, shortened, for a person to recognise it by. */
    public function excerpt(int $element, int $width = 60): string
    {
        $parts = [];
        $length = 0;
        for ($i = $element; $i < $this->ends[$element] && $length < $width; $i++) {
            if ($this->texts[$i] !== '') {
                $parts[] = $this->texts[$i];
                $length += strlen($this->texts[$i]) + 1;
            }
        }

        return mb_strimwidth(implode(' ', $parts), 0, $width, '…');
    }
}
