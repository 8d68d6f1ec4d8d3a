<?php

declare(strict_types=1);

namespace Insignum\Selector;

/**
 * Lists of nothing but tags, classes, ids and pseudo-classes without parentheses, read at one go: most selectors of most themes.
 * It gives what the parser gives, in a fraction of the time.
 */
final class PlainSelectors
{
    /** What a plain selector is made of: a name with its sign, `*`, or what stands between two compounds. */
    private const PLAIN = '/\G(?:(\.|\#|::?|)(-?[a-zA-Z_][-a-zA-Z0-9_]*+|--[-a-zA-Z0-9_]++)|\*|[ \t\n]*+[>+~,][ \t\n]*+|[ \t\n]++)/A';

    /** Null for a list that the parser must read, or refuse. */
    public static function read(string $text): ?SelectorList
    {
        if (preg_match_all(self::PLAIN, $text, $matches, PREG_SET_ORDER) === false) {
            return null;
        }
        $selectors = $compounds = $combinators = [];
        $tag = $pseudoElement = null;
        $ids = $classes = $pseudos = [];
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
            if ($isEmpty) {
                return null;
            }
            $compounds[] = new Compound($tag, $ids, $classes, [], $pseudos);
            $tag = null;
            $ids = $classes = $pseudos = [];
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
        $compounds[] = new Compound($tag, $ids, $classes, [], $pseudos);
        $selectors[] = new ComplexSelector($compounds, $combinators, $pseudoElement, substr($text, $start));

        return new SelectorList($selectors);
    }
}
