<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Syntax\Ident;

/**
 * Everything of text inside an element, in place of `*`: its paragraphs, list items, headings and links, and not its icons,
 * buttons and fields.
 */
final class TextInside
{
    private const TEXT = ['p', 'li', 'dd', 'dt', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'a', 'blockquote', 'cite', 'q', 'figcaption', 'caption', 'td', 'th', 'small', 'strong', 'em', 'b', 'time', 'label', 'legend', 'summary', 'span', 'div', 'address', 'code', 'abbr', 'del', 'ins', 'mark', 'sub', 'sup'];

    private const APART = ['button' => 1, 'input' => 1, 'select' => 1, 'textarea' => 1, 'option' => 1, 'svg' => 1, 'i' => 1];

    private const NAMED = '/(?:\A|[-_])(?:btn|button|icon|icons|ico|badge|tag|chip|pill)(?:\z|[-_])|\Afa-?/i';

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages)
    {
    }

    /** @return ?string null where there is no text in it, or only its own */
    public function in(string $path, int $element, string $kind): ?string
    {
        $page = $this->pages[$path];
        $tags = [];
        for ($e = $element + 1; $e < $page->ends[$element]; $e++) {
            if ($page->texts[$e] !== '' && in_array($page->tags[$e], self::TEXT, true) && self::apart($page, $e, $element) === null) {
                $tags[$page->tags[$e]] = true;
            }
        }
        if ($tags === []) {
            return null;
        }
        $tags = array_values(array_intersect(self::TEXT, array_keys($tags)));
        $inside = count($tags) === 1 ? $tags[0] : ':is('.implode(', ', $tags).')';
        $selector = "$kind $inside".$this->exceptions("$kind $inside");

        return $page->texts[$element] === '' ? $selector : "$kind, $selector";
    }

    /** What of all that a selector takes is a button or an icon, or in one, is left out by name. */
    private function exceptions(string $selector): string
    {
        $list = SelectorParser::parse($selector);
        $own = $within = [];
        foreach ($this->pages as $page) {
            foreach ((new Matcher($page))->selectAny($list) as $element) {
                $apart = self::apart($page, $element, 0);
                if ($apart === null) {
                    continue;
                }
                $name = self::name($page, $apart);
                if ($apart === $element) {
                    $own[$name] = $name;
                } else {
                    $within[$name] = "$name *";
                }
            }
        }
        $all = [...array_values($own), ...array_values($within)];

        return $all === [] ? '' : ':not('.implode(', ', $all).')';
    }

    /** The button, field or icon that an element is or is in, below another. */
    private static function apart(Page $page, int $element, int $below): ?int
    {
        for ($at = $element; $at > $below; $at = $page->parents[$at]) {
            if (isset(self::APART[$page->tags[$at]]) || $page->attribute($at, 'role') === 'button' || preg_grep(self::NAMED, $page->classes[$at]) !== []) {
                return $at;
            }
        }

        return null;
    }

    private static function name(Page $page, int $element): string
    {
        $telling = array_values((array) preg_grep(self::NAMED, $page->classes[$element]));

        return $telling === [] ? ($page->attribute($element, 'role') === 'button' ? '[role=button]' : $page->tags[$element]) : '.'.Ident::escape((string) $telling[0]);
    }
}
