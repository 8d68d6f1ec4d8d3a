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
    private const NAMESPACES = ['html' => 'http://www.w3.org/1999/xhtml', 'svg' => 'http://www.w3.org/2000/svg', 'math' => 'http://www.w3.org/1998/Math/MathML'];

    /** Elements that show something of their own in place of their children. */
    private const REPLACING = ['audio' => 1, 'video' => 1, 'meter' => 1, 'progress' => 1];

    /** @var array<string, list<int>> */
    public array $byTag;

    /** @var array<string, list<int>> */
    public array $byClass;

    /** @var array<string, list<int>> */
    public array $byId;

    /** Whether any element says that its text runs from right to left. */
    public bool $hasDirections;

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
     * @param  array<int, string>  $foreign  the SVG and MathML elements: `svg` or `math`
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
        $hasDirections = false;
        $children = array_fill(0, count($tags), []);
        foreach ($tags as $element => $tag) {
            $byTag[$tag][] = $element;
            foreach ($classes[$element] as $class) {
                $byClass[$class][] = $element;
            }
            if (isset($attributes[$element]['id'])) {
                $byId[$attributes[$element]['id']][] = $element;
            }
            $hasDirections = $hasDirections || strtolower($attributes[$element]['dir'] ?? '') === 'rtl';
            $parent = $parents[$element];
            $positions[] = $parent < 0 ? 0 : count($children[$parent]);
            if ($parent >= 0) {
                $children[$parent][] = $element;
            }
        }
        $this->hasDirections = $hasDirections;
        $this->byTag = $byTag;
        $this->byClass = $byClass;
        $this->byId = $byId;
        $this->positions = $positions;
        $this->children = $children;
    }

    /**
     * With a class (`$value` null) or an attribute put on some elements.
     *
     * @param  list<int>  $elements
     */
    public function wearing(array $elements, string $name, ?string $value): self
    {
        $attributes = $this->attributes;
        $classes = $this->classes;
        foreach ($elements as $element) {
            if ($value === null) {
                $classes[$element][] = $name;
                $attributes[$element]['class'] = trim(($attributes[$element]['class'] ?? '')." $name");
            } else {
                $attributes[$element][$name] = $value;
            }
        }

        return new self($this->tags, $this->parents, $this->ends, $attributes, $classes, $this->texts, $this->hasContent, $this->sheets, $this->foreign, $this->title, $this->language, $this->quirks);
    }

    public function count(): int
    {
        return count($this->tags);
    }

    public function attribute(int $element, string $name): ?string
    {
        return $this->attributes[$element][$name] ?? null;
    }

    /** The namespace of an element, as the namespace name of the standards. */
    public function namespace(int $element): string
    {
        return self::NAMESPACES[$this->foreign[$element] ?? 'html'];
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

    /**
     * Whether an element is only what browsers without support for the one around it would show, such as the link inside
     * a `<video>`: it has no place in the flat tree, and no computed style.
     */
    public function isFallback(int $element): bool
    {
        if (array_intersect_key($this->byTag, self::REPLACING) === []) {
            return false;
        }
        for ($at = $this->parents[$element]; $at >= 0; $at = $this->parents[$at]) {
            if (isset(self::REPLACING[$this->tags[$at]])) {
                return true;
            }
        }

        return false;
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
