<?php

declare(strict_types=1);

namespace Insignum\Page;

/** SVG and MathML, HTML 13.2.6.5. */
final class ForeignContent
{
    private const BREAKOUT = ' b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing menu meta nobr ol p pre ruby s small span strong strike sub sup table tt u ul var ';

    private const SVG_CASE = 'altGlyph altGlyphDef altGlyphItem animateColor animateMotion animateTransform clipPath feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence foreignObject glyphRef linearGradient radialGradient textPath';

    private readonly OpenTree $tree;

    /** @var array<string, string> */
    private readonly array $svgCase;

    public function __construct(private readonly Construction $page)
    {
        $this->tree = $page->tree;
        $names = explode(' ', self::SVG_CASE);
        $this->svgCase = array_combine(array_map(strtolower(...), $names), $names);
    }

    /** Whether a start tag in a foreign element is read by the rules for HTML: 13.2.6, tree construction dispatcher. */
    public function takesHtml(TreeNode $current, string $name): bool
    {
        if ($current->space === 'svg') {
            return $this->tree->isIntegrationPoint($current);
        }
        if ($current->tag === 'annotation-xml') {
            return $name === 'svg' || $this->tree->isIntegrationPoint($current);
        }

        return $this->tree->isIntegrationPoint($current) && $name !== 'mglyph' && $name !== 'malignmark';
    }

    /** @param  array<string, string>  $attributes */
    public function start(string $name, array $attributes, bool $selfClosing): void
    {
        $breaksOut = str_contains(self::BREAKOUT, " $name ") || ($name === 'font' && array_intersect(['color', 'face', 'size'], array_keys($attributes)) !== []);
        if ($breaksOut) {
            $this->leave();
            $this->page->start($name, $attributes, $selfClosing);

            return;
        }
        $this->insert($name, $attributes, $this->tree->current()->space ?? 'svg', $selfClosing);
    }

    /** 13.2.6.5: up to what may hold HTML. */
    public function leave(): void
    {
        while (($node = $this->tree->current()) !== null && $node->space !== 'html' && ! $this->tree->isIntegrationPoint($node)) {
            $this->tree->pop();
        }
    }

    /** @param  array<string, string>  $attributes */
    public function insert(string $name, array $attributes, string $space, bool $selfClosing): void
    {
        $node = new TreeNode($space === 'svg' ? ($this->svgCase[$name] ?? $name) : $name, $attributes, $space);
        $this->tree->put($node);
        if (! $selfClosing) {
            $this->tree->push($node);
        }
    }

    /** Whether the end tag was that of a foreign element. */
    public function end(string $name): bool
    {
        for ($i = count($this->tree->open) - 1; $i > 0; $i--) {
            $node = $this->tree->open[$i];
            if ($node->space === 'html') {
                return false;
            }
            if (strtolower($node->tag) === $name) {
                $this->tree->cut($i);

                return true;
            }
        }

        return true;
    }
}
