<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Syntax\Declaration;

/** Presentational attributes as author declarations of no specificity: HTML Living Standard, section 15.3, and SVG 2, 6.6. */
final class PresentationalHints
{
    /** The presentation attributes of SVG. */
    private const DRAWING = [
        'alignment-baseline' => 1, 'baseline-shift' => 1, 'clip-path' => 1, 'clip-rule' => 1, 'color' => 1, 'color-interpolation' => 1, 'color-interpolation-filters' => 1, 'cursor' => 1, 'direction' => 1,
        'display' => 1, 'dominant-baseline' => 1, 'fill' => 1, 'fill-opacity' => 1, 'fill-rule' => 1, 'filter' => 1, 'flood-color' => 1, 'flood-opacity' => 1, 'font-family' => 1, 'font-size' => 1,
        'font-size-adjust' => 1, 'font-stretch' => 1, 'font-style' => 1, 'font-variant' => 1, 'font-weight' => 1, 'image-rendering' => 1, 'letter-spacing' => 1, 'lighting-color' => 1, 'marker-end' => 1,
        'marker-mid' => 1, 'marker-start' => 1, 'mask' => 1, 'mask-type' => 1, 'opacity' => 1, 'overflow' => 1, 'paint-order' => 1, 'pointer-events' => 1, 'shape-rendering' => 1, 'stop-color' => 1,
        'stop-opacity' => 1, 'stroke' => 1, 'stroke-dasharray' => 1, 'stroke-dashoffset' => 1, 'stroke-linecap' => 1, 'stroke-linejoin' => 1, 'stroke-miterlimit' => 1, 'stroke-opacity' => 1,
        'stroke-width' => 1, 'text-anchor' => 1, 'text-decoration' => 1, 'text-rendering' => 1, 'transform-origin' => 1, 'unicode-bidi' => 1, 'vector-effect' => 1, 'visibility' => 1, 'word-spacing' => 1,
        'writing-mode' => 1,
    ];

    /** Those of them whose plain numbers are lengths, and the sizes. */
    private const LENGTHS = ['font-size' => 1, 'letter-spacing' => 1, 'word-spacing' => 1, 'width' => 1, 'height' => 1];

    /** What is sized by attributes. */
    private const SIZED = ['svg', 'rect', 'image', 'foreignObject'];

    public function __construct(private readonly Declarations $declarations, private readonly Page $page)
    {
    }

    /** The declarations an element's attributes stand for, as one line of CSS each; empty for most elements. */
    public function css(int $element): string
    {
        $attributes = $this->page->attributes[$element];
        $tag = $this->page->tags[$element];
        if ($attributes === [] && $tag !== 'td' && $tag !== 'th') {
            return '';
        }
        if (isset($this->page->foreign[$element])) {
            return $this->page->foreign[$element] === 'svg' ? self::text($this->drawing($tag, $attributes)) : '';
        }
        $out = [];
        $inTable = in_array($tag, ['table', 'thead', 'tbody', 'tfoot', 'tr', 'td', 'th'], true);
        if (isset($attributes['bgcolor']) && ($inTable || $tag === 'body')) {
            $out['background-color'] = self::legacyColour($attributes['bgcolor']);
        }
        if (isset($attributes['background']) && ($inTable || $tag === 'body')) {
            $out['background-image'] = 'url("'.addcslashes($attributes['background'], '"\\').'")';
        }
        if (isset($attributes['text']) && $tag === 'body') {
            $out['color'] = self::legacyColour($attributes['text']);
        }
        if ($tag === 'font') {
            $out += $this->font($attributes);
        }
        if (isset($attributes['align']) && ($inTable || in_array($tag, ['div', 'p', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'caption'], true)) && $tag !== 'table') {
            $align = strtolower($attributes['align']);
            $out['text-align'] = in_array($align, ['left', 'right', 'center'], true) ? "-webkit-$align" : ($align === 'justify' ? 'justify' : null);
        }
        if ($tag === 'table' || $tag === 'td' || $tag === 'th') {
            $out += $this->table($element, $tag, $attributes);
        }
        if (in_array($tag, ['img', 'object', 'input'], true) && isset($attributes['border']) && (int) $attributes['border'] > 0) {
            $out['border'] = (int) $attributes['border'].'px solid';
        }
        if (in_array($tag, ['table', 'td', 'th', 'img', 'video', 'canvas', 'iframe', 'hr', 'col', 'object', 'embed'], true)) {
            foreach (['width', 'height'] as $side) {
                $out[$side] = isset($attributes[$side]) ? self::dimension($attributes[$side]) : null;
            }
        }
        if ($tag === 'hr') {
            $out += $this->rule($attributes);
        }
        if (in_array($tag, ['img', 'object', 'iframe', 'embed', 'video', 'input'], true) && in_array(strtolower($attributes['align'] ?? ''), ['left', 'right'], true)) {
            $out['float'] = strtolower($attributes['align']);
        }
        if ($tag === 'a' && isset($attributes['href'])) {
            $out['color'] = $this->linkColour();
        }
        if (isset($attributes['type']) && in_array($tag, ['ul', 'ol', 'li'], true)) {
            $out['list-style-type'] = ['1' => 'decimal', 'a' => 'lower-alpha', 'A' => 'upper-alpha', 'i' => 'lower-roman', 'I' => 'upper-roman'][$attributes['type']]
                ?? (in_array(strtolower($attributes['type']), ['disc', 'circle', 'square', 'none'], true) ? strtolower($attributes['type']) : null);
        }

        return self::text($out);
    }

    /** @param  array<string, ?string>  $declarations */
    private static function text(array $declarations): string
    {
        $css = '';
        foreach (array_filter($declarations, static fn (?string $v): bool => $v !== null) as $name => $value) {
            $css .= "$name:".strtr($value, "\n", ' ')."\n";
        }

        return $css;
    }

    /** @return list<Setting> */
    public function settings(string $css): array
    {
        $settings = [];
        foreach (explode("\n", rtrim($css, "\n")) as $pair) {
            [$name, $value] = explode(':', $pair, 2) + [1 => ''];
            array_push($settings, ...$this->declarations->settings(new Declaration($name, $value, false, 0, 0, 0)));
        }

        return $settings;
    }

    /**
     * SVG 2, 6.6: attributes that are properties. Lengths may stand without a unit there.
     *
     * @param  array<string, string>  $attributes
     * @return array<string, ?string>
     */
    private function drawing(string $tag, array $attributes): array
    {
        $out = array_intersect_key($attributes, self::DRAWING);
        if (in_array($tag, self::SIZED, true)) {
            $out += array_intersect_key($attributes, ['width' => 1, 'height' => 1]);
        }

        foreach (array_intersect_key($out, self::LENGTHS) as $name => $value) {
            $out[$name] = is_numeric(trim($value)) ? trim($value).'px' : $value;
        }

        return $out;
    }

    /**
     * @param  array<string, string>  $attributes
     * @return array<string, ?string>
     */
    private function font(array $attributes): array
    {
        $size = trim($attributes['size'] ?? '');
        $number = $size === '' ? 0 : max(1, min(7, in_array($size[0], ['+', '-'], true) ? 3 + (int) $size : (int) $size));

        return [
            'color' => isset($attributes['color']) ? self::legacyColour($attributes['color']) : null,
            'font-family' => isset($attributes['face']) ? $attributes['face'] : null,
            'font-size' => [1 => 'x-small', 'small', 'medium', 'large', 'x-large', 'xx-large', 'xxx-large'][$number] ?? null,
        ];
    }

    /**
     * As browsers draw it: a coloured or unshaded one is filled.
     *
     * @param  array<string, string>  $attributes
     * @return array<string, ?string>
     */
    private function rule(array $attributes): array
    {
        $colour = isset($attributes['color']) ? self::legacyColour($attributes['color']) : null;
        $isFilled = $colour !== null || isset($attributes['noshade']);

        return [
            'border-style' => $isFilled ? 'solid' : null,
            'border-color' => $colour ?? ($isFilled ? 'gray' : null),
            'background-color' => $colour ?? ($isFilled ? 'gray' : null),
        ];
    }

    /** The body's `link` attribute. */
    private function linkColour(): ?string
    {
        $body = $this->page->byTag['body'][0] ?? null;
        $colour = $body === null ? null : $this->page->attribute($body, 'link');

        return $colour === null ? null : self::legacyColour($colour);
    }

    /**
     * @param  array<string, string>  $attributes
     * @return array<string, ?string>
     */
    private function table(int $element, string $tag, array $attributes): array
    {
        if ($tag === 'table') {
            $border = isset($attributes['border']) ? (is_numeric($attributes['border']) ? (int) $attributes['border'] : 1) : 0;

            return [
                'border-width' => $border > 0 ? "{$border}px" : null,
                'border-style' => strtolower($attributes['frame'] ?? '') === 'void' || isset($attributes['rules']) && $border === 0 ? 'hidden' : ($border > 0 ? (isset($attributes['bordercolor']) ? 'solid' : 'outset') : null),
                'border-color' => isset($attributes['bordercolor']) ? self::legacyColour($attributes['bordercolor']) : null,
                'margin-left' => strtolower($attributes['align'] ?? '') === 'center' ? 'auto' : null,
                'margin-right' => strtolower($attributes['align'] ?? '') === 'center' ? 'auto' : null,
                'float' => in_array(strtolower($attributes['align'] ?? ''), ['left', 'right'], true) ? strtolower($attributes['align']) : null,
            ];
        }
        $table = $this->page->parents[$element];
        while ($table >= 0 && $this->page->tags[$table] !== 'table') {
            $table = $this->page->parents[$table];
        }
        $outer = $this->page->attributes[$table] ?? [];
        $hasBorder = isset($outer['border']) && $outer['border'] !== '0';
        $rules = strtolower($outer['rules'] ?? '');
        $padding = isset($outer['cellpadding']) && is_numeric($outer['cellpadding']) ? (int) $outer['cellpadding'].'px' : null;

        return [
            'border-width' => $hasBorder || $rules === 'all' ? '1px' : null,
            'border-style' => $rules === 'all' ? 'solid' : ($hasBorder ? (isset($outer['bordercolor']) ? 'solid' : 'inset') : null),
            'border-color' => $hasBorder ? (isset($outer['bordercolor']) ? self::legacyColour($outer['bordercolor']) : 'inherit') : null,
            'padding' => $padding,
            'white-space' => isset($attributes['nowrap']) ? 'nowrap' : null,
        ];
    }

    /** HTML 2.3.6, "rules for parsing a legacy colour value", as CSS. */
    private static function legacyColour(string $text): ?string
    {
        $text = trim($text);
        if ($text === '' || strtolower($text) === 'transparent') {
            return null;
        }
        if (preg_match('/\A#[0-9a-f]{3}\z|\A#[0-9a-f]{6}\z/i', $text) || isset(\Insignum\Colour\NamedColours::NAMES[strtolower($text)])) {
            return $text;
        }
        $digits = (string) preg_replace('/[^0-9a-f]/i', '0', ltrim(substr($text, 0, 128), '#'));
        while ($digits === '' || strlen($digits) % 3 !== 0) {
            $digits .= '0';
        }
        $third = max(1, intdiv(strlen($digits), 3));
        $parts = array_map(static fn (string $p): string => substr(strlen($p) > 8 ? substr($p, -8) : $p, 0, 2), str_split($digits, $third));

        return '#'.implode('', array_map(static fn (string $p): string => str_pad($p, 2, '0', STR_PAD_LEFT), $parts));
    }

    private static function dimension(string $text): ?string
    {
        return preg_match('/\A\s*(\d+(?:\.\d+)?)\s*(%?)/', $text, $m) ? $m[1].($m[2] === '%' ? '%' : 'px') : null;
    }
}
