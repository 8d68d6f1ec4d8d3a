<?php

declare(strict_types=1);

namespace Insignum\Selector;

/**
 * Lists of tags, classes, ids, attributes, pseudo-classes, and `:not()`, `:is()` and `:where()` with such a list in them, read at
 * one go: nearly all selectors of most themes. It gives what the parser gives, in a fraction of the time.
 */
final class PlainSelectors
{
    private const NAME = '(-?[a-zA-Z_][-a-zA-Z0-9_]*+|--[-a-zA-Z0-9_]++)';

    /** What a plain selector is made of: a name with its sign, `*`, an attribute, a list in parentheses, or what stands between two compounds. */
    private const PLAIN = '/\G(?:(\.|\#|::?|)'.self::NAME.'(?!\()|\*|[ \t\n]*+[>+~,][ \t\n]*+|[ \t\n]++'
        .'|\['.self::NAME.'(?:([~|^$*]?=)(?:'.self::NAME.'|"([^"\\\\\n]*+)"))?\]|:(?i:(not|is|where))\(([^()\[\]"\'\\\\]*+)\))/A';

    /** What is more than half of a theme's selectors. */
    private const ONE_CLASS = '/\A\.'.self::NAME.'\z/';

    /** Null for a list that the parser must read, or refuse. */
    public static function read(string $text): ?SelectorList
    {
        if (preg_match(self::ONE_CLASS, $text) === 1) {
            return new SelectorList([new ComplexSelector([new Compound(classes: [substr($text, 1)])], [], null, $text)]);
        }
        if (preg_match_all(self::PLAIN, $text, $matches, PREG_SET_ORDER) === false) {
            return null;
        }
        $selectors = $compounds = $combinators = [];
        $tag = $pseudoElement = null;
        $ids = $classes = $attributes = $pseudos = [];
        $isEmpty = true;
        $at = $start = 0;
        foreach ($matches as $m) {
            $stop = $at;
            $at += strlen($m[0]);
            $name = $m[2] ?? '';
            if ($name !== '') {
                if ($pseudoElement !== null) {
                    return null;
                }
                switch ($m[1] ?? '') {
                    case '.':
                        $classes[] = $name;
                        break;
                    case '#':
                        $ids[] = $name;
                        break;
                    case '':
                        if (! $isEmpty) {
                            return null;
                        }
                        $tag = $name;
                        break;
                    default:
                        $name = strtolower($name);
                        $name = SelectorParser::ALIASES[$name] ?? $name;
                        if ($m[1] === '::' || in_array($name, SelectorParser::LEGACY_PSEUDO_ELEMENTS, true)) {
                            if (! PseudoNames::isElement($name)) {
                                return null;
                            }
                            $pseudoElement = $name;
                        } elseif (PseudoNames::isClass($name, false)) {
                            $pseudos[] = new PseudoClass($name);
                        } else {
                            return null;
                        }
                }
                $isEmpty = false;

                continue;
            }
            if ($m[0] === '*') {
                if (! $isEmpty) {
                    return null;
                }
                $isEmpty = false;

                continue;
            }
            if (isset($m[3])) {
                if ($pseudoElement !== null) {
                    return null;
                }
                if ($m[3] !== '') {
                    $name = strtolower($m[3]);
                    $attributes[] = new AttributeTest($name, $m[4] ?? '', ($m[5] ?? '').($m[6] ?? ''));
                } else {
                    $inner = self::read(trim($m[8] ?? '', " \t\n"));
                    if ($inner === null || array_filter($inner->selectors, static fn (ComplexSelector $s): bool => $s->pseudoElement !== null) !== []) {
                        return null;
                    }
                    $pseudos[] = new PseudoClass(strtolower($m[7] ?? ''), $inner);
                }
                $isEmpty = false;

                continue;
            }
            if ($isEmpty) {
                return null;
            }
            $compounds[] = new Compound($tag, $ids, $classes, $attributes, $pseudos);
            $tag = null;
            $ids = $classes = $attributes = $pseudos = [];
            $isEmpty = true;
            $combinator = trim($m[0]);
            if ($combinator === ',') {
                $selectors[] = new ComplexSelector($compounds, $combinators, $pseudoElement, substr($text, $start, $stop - $start));
                $compounds = $combinators = [];
                $pseudoElement = null;
                $start = $at;
            } elseif ($pseudoElement !== null) {
                return null;
            } else {
                $combinators[] = $combinator === '' ? ' ' : $combinator;
            }
        }
        if ($isEmpty || $at !== strlen($text)) {
            return null;
        }
        $compounds[] = new Compound($tag, $ids, $classes, $attributes, $pseudos);
        $selectors[] = new ComplexSelector($compounds, $combinators, $pseudoElement, substr($text, $start));

        return new SelectorList($selectors);
    }
}
