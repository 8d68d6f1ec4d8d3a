<?php

declare(strict_types=1);

namespace Insignum\Style;

/**
 * The longhands whose values are understood: whether they inherit, their initial value, and the grammar of their value.
 *
 * All other properties are carried as written: they take part in the cascade and in provenance, but have no computed value.
 */
final class PropertyTable
{
    private const SIDES = ['top', 'right', 'bottom', 'left'];

    private const CORNERS = ['top-left', 'top-right', 'bottom-right', 'bottom-left'];

    private const LINE_STYLES = 'none hidden dotted dashed solid double groove ridge inset outset';

    private const BOXES = 'border-box padding-box content-box';

    /** What the browser's sheet gives to the controls that draw their own edge, which no author can write. */
    public const CHECKBOX = '-internal-checkbox';

    public const RADIO = '-internal-radio';

    /** name => [inherited, initial value, grammar, keywords of the grammar] */
    private const BASE = [
        'color' => [true, 'canvastext', 'colour', ''],
        'color-scheme' => [true, 'normal', 'words', ''],
        'background-color' => [false, 'transparent', 'colour', ''],
        'background-image' => [false, 'none', 'images', ''],
        'background-repeat' => [false, 'repeat', 'repeats', ''],
        'background-size' => [false, 'auto', 'sizes', ''],
        'background-position-x' => [false, '0%', 'positions-x', ''],
        'background-position-y' => [false, '0%', 'positions-y', ''],
        'background-attachment' => [false, 'scroll', 'keywords', 'scroll fixed local'],
        'background-origin' => [false, 'padding-box', 'keywords', self::BOXES],
        'background-clip' => [false, 'border-box', 'keywords', self::BOXES.' text border-area'],
        'background-blend-mode' => [false, 'normal', 'keywords', self::BLENDS],
        'border-image-source' => [false, 'none', 'image', ''],
        'border-image-slice' => [false, '100%', 'slice', ''],
        'border-image-width' => [false, '1', 'sides', 'auto'],
        'border-image-outset' => [false, '0', 'sides', ''],
        'border-image-repeat' => [false, 'stretch', 'repeat-pair', 'stretch repeat round space'],
        'outline-color' => [false, 'currentcolor', 'colour', ''],
        'outline-style' => [false, 'none', 'keyword', 'auto none dotted dashed solid double groove ridge inset outset'],
        'outline-width' => [false, 'medium', 'line-width', ''],
        'outline-offset' => [false, '0', 'length', ''],
        'box-shadow' => [false, 'none', 'shadows', ''],
        'text-shadow' => [true, 'none', 'text-shadows', ''],
        'text-decoration-line' => [false, 'none', 'decoration-line', ''],
        'text-decoration-style' => [false, 'solid', 'keyword', 'solid double dotted dashed wavy'],
        'text-decoration-color' => [false, 'currentcolor', 'colour', ''],
        'text-decoration-thickness' => [false, 'auto', 'length-percentage', 'auto from-font'],
        'font-size' => [true, 'medium', 'font-size', ''],
        'font-weight' => [true, 'normal', 'font-weight', ''],
        'font-style' => [true, 'normal', 'font-style', ''],
        'font-family' => [true, '"Times New Roman"', 'font-family', ''],
        'font-stretch' => [true, 'normal', 'words', ''],
        'font-variant-caps' => [true, 'normal', 'words', ''],
        'line-height' => [true, 'normal', 'line-height', ''],
        'letter-spacing' => [true, 'normal', 'length-percentage', 'normal'],
        'text-align' => [true, 'start', 'keyword', 'start end left right center justify -webkit-left -webkit-right -webkit-center'],
        'text-transform' => [true, 'none', 'keyword', 'none capitalize uppercase lowercase math-auto'],
        'text-indent' => [true, '0', 'words', ''],
        'white-space-collapse' => [true, 'collapse', 'words', ''],
        'text-wrap-mode' => [true, 'wrap', 'words', ''],
        'list-style-type' => [true, 'disc', 'list-type', ''],
        'list-style-position' => [true, 'outside', 'keyword', 'inside outside'],
        'list-style-image' => [true, 'none', 'image', ''],
        'visibility' => [true, 'visible', 'keyword', 'visible hidden collapse'],
        'direction' => [true, 'ltr', 'keyword', 'ltr rtl'],
        'cursor' => [true, 'auto', 'words', ''],
        'border-collapse' => [true, 'separate', 'keyword', 'collapse separate'],
        'appearance' => [false, 'none', 'keyword', 'none auto base-select textfield searchfield textarea checkbox radio menulist menulist-button listbox meter progress-bar button push-button square-button slider-horizontal '.self::CHECKBOX.' '.self::RADIO],
        '-webkit-line-clamp' => [false, 'none', 'words', ''],
        '-webkit-box-orient' => [false, 'horizontal', 'keyword', 'horizontal vertical inline-axis block-axis'],
        'opacity' => [false, '1', 'opacity', ''],
        'display' => [false, 'inline', 'display', ''],
        'position' => [false, 'static', 'keyword', 'static relative absolute fixed sticky'],
        'float' => [false, 'none', 'keyword', 'none left right inline-start inline-end'],
        'clear' => [false, 'none', 'keyword', 'none left right both inline-start inline-end'],
        'box-sizing' => [false, 'content-box', 'keyword', 'content-box border-box'],
        'overflow-x' => [false, 'visible', 'keyword', 'visible hidden clip scroll auto overlay'],
        'overflow-y' => [false, 'visible', 'keyword', 'visible hidden clip scroll auto overlay'],
        'z-index' => [false, 'auto', 'integer', 'auto'],
        'content' => [false, 'normal', 'words', ''],
        'vertical-align' => [false, 'baseline', 'length-percentage', 'baseline sub super top text-top middle bottom text-bottom -webkit-baseline-middle'],
        'width' => [false, 'auto', 'size', 'auto'],
        'height' => [false, 'auto', 'size', 'auto'],
        'min-width' => [false, 'auto', 'size', 'auto'],
        'min-height' => [false, 'auto', 'size', 'auto'],
        'max-width' => [false, 'none', 'size', 'none'],
        'max-height' => [false, 'none', 'size', 'none'],
    ];

    private const BLENDS = 'normal multiply screen overlay darken lighten color-dodge color-burn hard-light soft-light difference exclusion hue saturation color luminosity';

    /** Parts of the patterns of Box Alignment 3, 4 and 5. */
    private const BASELINE = '(?:(?:first|last)\s)?baseline';

    private const PLACES = '(?:center|start|end|flex-start|flex-end)';

    private const SELF_PLACES = '(?:center|start|end|self-start|self-end|flex-start|flex-end)';

    /** Properties that are carried as written, but whose values are told from nonsense: name => [grammar, keywords] */
    private const CHECKED = [
        'accent-color' => ['colour', 'auto'], 'caret-color' => ['colour', 'auto'], 'column-rule-color' => ['colour', ''], 'text-emphasis-color' => ['colour', ''],
        'column-gap' => ['size', 'normal'], 'row-gap' => ['size', 'normal'], 'order' => ['integer', ''], 'flex-grow' => ['number', ''], 'flex-shrink' => ['number', ''],
        'object-fit' => ['keyword', 'fill contain cover none scale-down'], 'mix-blend-mode' => ['keyword', self::BLENDS.' plus-lighter plus-darker'], 'isolation' => ['keyword', 'auto isolate'],
        'flex-direction' => ['keyword', 'row row-reverse column column-reverse'], 'flex-wrap' => ['keyword', 'nowrap wrap wrap-reverse'], 'table-layout' => ['keyword', 'auto fixed'],
        'pointer-events' => ['keyword', 'auto none all fill stroke painted visible visiblefill visiblestroke visiblepainted bounding-box'], 'user-select' => ['keyword', 'auto none text all contain'],
        'resize' => ['keyword', 'none both horizontal vertical inline block'], 'caption-side' => ['keyword', 'top bottom'], 'empty-cells' => ['keyword', 'show hide'],
        'overflow-wrap' => ['keyword', 'normal break-word anywhere'], 'word-break' => ['keyword', 'normal break-all keep-all break-word auto-phrase'], 'hyphens' => ['keyword', 'none manual auto'],
        'scroll-behavior' => ['keyword', 'auto smooth'], 'unicode-bidi' => ['keyword', 'normal embed isolate bidi-override isolate-override plaintext'], 'backface-visibility' => ['keyword', 'visible hidden'],
        'transform' => ['transforms', ''], 'filter' => ['filters', ''], 'backdrop-filter' => ['filters', ''], 'transition' => ['transitions', ''], 'animation' => ['animations', ''],
        'transition-duration' => ['times', ''], 'animation-duration' => ['times', ''], 'transition-delay' => ['delays', ''], 'animation-delay' => ['delays', ''],
        'align-items' => ['pattern', '/\A(?:normal|stretch|anchor-center|'.self::BASELINE.'|(?:(?:un)?safe\s)?'.self::SELF_PLACES.')\z/'],
        'align-self' => ['pattern', '/\A(?:auto|normal|stretch|anchor-center|'.self::BASELINE.'|(?:(?:un)?safe\s)?'.self::SELF_PLACES.')\z/'],
        'justify-self' => ['pattern', '/\A(?:auto|normal|stretch|anchor-center|'.self::BASELINE.'|(?:(?:un)?safe\s)?(?:left|right|'.self::SELF_PLACES.'))\z/'],
        'align-content' => ['pattern', '/\A(?:normal|stretch|space-(?:between|around|evenly)|'.self::BASELINE.'|(?:(?:un)?safe\s)?'.self::PLACES.')\z/'],
        'justify-content' => ['pattern', '/\A(?:normal|stretch|space-(?:between|around|evenly)|(?:(?:un)?safe\s)?(?:left|right|'.self::PLACES.'))\z/'],
        'word-spacing' => ['length-percentage', 'normal'], 'tab-size' => ['number-length', ''],
    ];

    /** Properties that are carried as written, and that children inherit. */
    public const CARRIED_DOWN = [
        'accent-color' => 1, 'caption-side' => 1, 'caret-color' => 1, 'caret-shape' => 1, 'color-interpolation' => 1, 'color-interpolation-filters' => 1, 'color-rendering' => 1, 'dominant-baseline' => 1,
        'empty-cells' => 1, 'border-spacing' => 1, 'fill' => 1, 'fill-opacity' => 1, 'fill-rule' => 1, 'clip-rule' => 1, 'font-feature-settings' => 1, 'font-kerning' => 1, 'font-language-override' => 1,
        'font-optical-sizing' => 1, 'font-palette' => 1, 'font-size-adjust' => 1, 'font-synthesis' => 1, 'font-synthesis-small-caps' => 1, 'font-synthesis-style' => 1, 'font-synthesis-weight' => 1,
        'font-variant' => 1, 'font-variant-alternates' => 1, 'font-variant-east-asian' => 1, 'font-variant-emoji' => 1, 'font-variant-ligatures' => 1, 'font-variant-numeric' => 1, 'font-variant-position' => 1,
        'font-variation-settings' => 1, '-webkit-font-smoothing' => 1, '-moz-osx-font-smoothing' => 1, 'hanging-punctuation' => 1, 'hyphenate-character' => 1, 'hyphenate-limit-chars' => 1, 'hyphens' => 1,
        'image-orientation' => 1, 'image-rendering' => 1, 'interpolate-size' => 1, 'line-break' => 1, 'marker' => 1, 'marker-end' => 1, 'marker-mid' => 1, 'marker-start' => 1, 'math-depth' => 1,
        'math-shift' => 1, 'math-style' => 1, 'orphans' => 1, 'overflow-wrap' => 1, 'word-wrap' => 1, 'paint-order' => 1, 'pointer-events' => 1, 'print-color-adjust' => 1, '-webkit-print-color-adjust' => 1,
        'quotes' => 1, 'ruby-align' => 1, 'ruby-position' => 1, 'scrollbar-color' => 1, 'shape-rendering' => 1, 'speak' => 1, 'stroke' => 1, 'stroke-dasharray' => 1, 'stroke-dashoffset' => 1,
        'stroke-linecap' => 1, 'stroke-linejoin' => 1, 'stroke-miterlimit' => 1, 'stroke-opacity' => 1, 'stroke-width' => 1, 'tab-size' => 1, '-moz-tab-size' => 1, 'text-align-last' => 1, 'text-anchor' => 1,
        'text-autospace' => 1, 'text-box-edge' => 1, 'text-combine-upright' => 1, 'text-emphasis' => 1, 'text-emphasis-color' => 1, 'text-emphasis-position' => 1, 'text-emphasis-style' => 1, 'text-justify' => 1,
        'text-orientation' => 1, 'text-rendering' => 1, 'text-size-adjust' => 1, '-webkit-text-size-adjust' => 1, 'text-spacing-trim' => 1, 'text-underline-offset' => 1, 'text-underline-position' => 1,
        'text-wrap' => 1, 'text-wrap-style' => 1, '-webkit-text-fill-color' => 1, '-webkit-text-stroke' => 1, '-webkit-text-stroke-color' => 1, '-webkit-text-stroke-width' => 1, '-webkit-tap-highlight-color' => 1,
        '-webkit-user-select' => 1, 'user-select' => 1, 'widows' => 1, 'word-break' => 1, 'word-spacing' => 1, 'writing-mode' => 1,
    ];

    /** What `insignum:computed` prints, in this order. */
    public const TRACKED = [
        'color', 'background-color', 'background-image', 'background-repeat', 'background-size', 'background-position',
        'background-attachment', 'background-origin', 'background-clip',
        'border-top-color', 'border-right-color', 'border-bottom-color', 'border-left-color',
        'border-top-style', 'border-right-style', 'border-bottom-style', 'border-left-style',
        'border-top-width', 'border-right-width', 'border-bottom-width', 'border-left-width',
        'border-top-left-radius', 'border-top-right-radius', 'border-bottom-right-radius', 'border-bottom-left-radius',
        'outline-color', 'outline-style', 'box-shadow', 'text-decoration-line', 'text-decoration-color',
        'font-weight', 'font-style', 'font-size', 'visibility', 'opacity', 'display',
    ];

    /** Computed before all others, as these are used by them. */
    public const FIRST = ['font-size', 'line-height', 'direction', 'color-scheme', 'color'];

    /** @var ?array<string, Property> */
    private ?array $all = null;

    public function find(string $name): ?Property
    {
        return $this->all()[$name] ?? null;
    }

    /** A property that is only checked, and has no computed value. */
    public function checked(string $name): ?Property
    {
        [$grammar, $keywords] = self::CHECKED[$name] ?? [null, ''];

        return $grammar === null ? null : new Property($name, false, '', $grammar, $keywords === '' ? [] : explode(' ', $keywords));
    }

    /** @return array<string, Property> in the order in which they are computed */
    public function all(): array
    {
        return $this->all ??= $this->build();
    }

    /** @return array<string, Property> */
    private function build(): array
    {
        $rows = array_intersect_key(self::BASE, array_flip(self::FIRST));
        foreach (self::SIDES as $side) {
            $rows["border-$side-style"] = [false, 'none', 'keyword', self::LINE_STYLES];
            $rows["border-$side-width"] = [false, 'medium', 'line-width', ''];
            $rows["border-$side-color"] = [false, 'currentcolor', 'colour', ''];
            $rows["margin-$side"] = [false, '0', 'length-percentage', 'auto'];
            $rows["padding-$side"] = [false, '0', 'length-percentage', ''];
            $rows[$side] = [false, 'auto', 'length-percentage', 'auto'];
        }
        foreach (self::CORNERS as $corner) {
            $rows["border-$corner-radius"] = [false, '0', 'radius', ''];
        }
        $all = [];
        foreach (array_replace($rows, self::BASE) as $name => $row) {
            [$inherited, $initial, $grammar, $keywords] = $row;
            $all[$name] = new Property($name, $inherited, $initial, $grammar, $keywords === '' ? [] : explode(' ', $keywords));
        }

        return $all;
    }
}
