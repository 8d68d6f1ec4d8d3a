<?php

declare(strict_types=1);

namespace Insignum\Page;

use Masterminds\HTML5;

/**
 * HTML to a Page, with masterminds/html5 and the repairs that browsers' trees need: an implied `tbody`.
 *
 * Scripting counts as off: what `noscript` holds are elements. Contents of `template` and of frames are left out.
 */
final class PageReader
{
    /** Elements nested deeper than this are read as if they stood at this depth's parent: browsers stop at 512 too. */
    private const DEEPEST = 512;

    /** @var list<string> */
    private array $tags = [];

    /** @var list<int> */
    private array $parents = [];

    /** @var array<int, int> */
    private array $ends = [];

    /** @var list<array<string, string>> */
    private array $attributes = [];

    /** @var list<list<string>> */
    private array $classes = [];

    /** @var array<int, string> */
    private array $texts = [];

    /** @var array<int, bool> */
    private array $hasContent = [];

    /** @var list<StyleSource> */
    private array $sheets = [];

    /** @var array<int, true> */
    private array $foreign = [];

    private string $title = '';

    public static function read(string $html): Page
    {
        $html = mb_check_encoding($html, 'UTF-8') ? $html : mb_convert_encoding($html, 'UTF-8', 'Windows-1252');
        $document = (new HTML5(['disable_html_ns' => true, 'encode_entities' => false]))->loadHTML($html);
        $reader = new self;
        $root = $document->documentElement ?? $document->createElement('html');
        $reader->element($root, -1, 0);

        return new Page(
            $reader->tags, $reader->parents, self::filled($reader->ends, count($reader->tags)), $reader->attributes, $reader->classes,
            array_values($reader->texts), array_values($reader->hasContent), $reader->sheets, $reader->foreign,
            $reader->title, $reader->attributes[0]['lang'] ?? '', self::isQuirky($html),
        );
    }

    /** HTML 13.2.6.4.1, shortened: no doctype, or one of the well-known old ones without an address. */
    private static function isQuirky(string $html): bool
    {
        if (! preg_match('/\A(?:\xEF\xBB\xBF)?(?:\s|<!--.*?-->)*<!doctype\s+html\s*([^>]*)>/is', $html, $m)) {
            return true;
        }

        return (bool) preg_match('/-\/\/W3C\/\/DTD HTML (?:3|4\.0[^1])|DTD HTML 4\.01 (?:Transitional|Frameset)\/\/EN"\s*\z/i', trim($m[1]));
    }

    private function element(\DOMElement $node, int $parent, int $depth): void
    {
        $element = count($this->tags);
        $tag = $node->localName ?? $node->nodeName;
        $isForeign = in_array($tag, ['svg', 'math'], true) || ($parent >= 0 && isset($this->foreign[$parent]) && $this->tags[$parent] !== 'foreignObject');
        if ($isForeign) {
            $this->foreign[$element] = true;
        }
        $attributes = [];
        foreach ($node->attributes ?? [] as $attribute) {
            $attributes[$isForeign ? $attribute->nodeName : strtolower($attribute->nodeName)] = $attribute->nodeValue ?? '';
        }
        $this->tags[] = $isForeign ? $tag : strtolower($tag);
        $this->parents[] = $parent;
        $this->attributes[] = $attributes;
        $this->classes[] = array_values(array_unique(preg_split('/[ \t\n\f\r]+/', $attributes['class'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: []));
        $this->texts[] = '';
        $this->hasContent[] = false;
        $this->collect($node, $tag, $attributes);
        if ($tag !== 'template' && $tag !== 'iframe') {
            $this->inside($node, $element, $tag, $depth);
        }
        $this->ends[$element] = count($this->tags);
    }

    private function inside(\DOMElement $node, int $element, string $tag, int $depth): void
    {
        $text = '';
        $body = null;
        foreach ($node->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $text .= $child->data;
                $this->hasContent[$element] = $this->hasContent[$element] || $child->data !== '';
            } elseif ($child instanceof \DOMElement) {
                $this->hasContent[$element] = true;
                if ($tag === 'table' && in_array($child->localName, ['tr', 'td', 'th'], true)) {
                    $body ??= $this->impliedBody($element);
                    $this->element($child, $body, $depth + 2);
                    $this->ends[$body] = count($this->tags);

                    continue;
                }
                $body = null;
                $this->element($child, $depth < self::DEEPEST ? $element : $this->parents[$element], $depth + 1);
            }
        }
        if (! in_array($tag, ['script', 'style', 'title'], true)) {
            $this->texts[$element] = trim((string) preg_replace('/\s+/u', ' ', $text));
        }
    }

    private function impliedBody(int $table): int
    {
        $this->tags[] = 'tbody';
        $this->parents[] = $table;
        $this->attributes[] = [];
        $this->classes[] = [];
        $this->texts[] = '';
        $this->hasContent[] = true;

        return count($this->tags) - 1;
    }

    /** @param  array<string, string>  $attributes */
    private function collect(\DOMElement $node, string $tag, array $attributes): void
    {
        if ($tag === 'title' && $this->title === '') {
            $this->title = trim($node->textContent);
        }
        if ($tag === 'style') {
            $this->sheets[] = new StyleSource(null, $node->textContent, $attributes['media'] ?? '');
        }
        $relations = preg_split('/\s+/', strtolower($attributes['rel'] ?? '')) ?: [];
        if ($tag === 'link' && isset($attributes['href']) && in_array('stylesheet', $relations, true) && ! in_array('alternate', $relations, true) && ! isset($attributes['disabled'])) {
            $this->sheets[] = new StyleSource($attributes['href'], null, $attributes['media'] ?? '');
        }
    }

    /**
     * @param  array<int, int>  $ends
     * @return list<int>
     */
    private static function filled(array $ends, int $count): array
    {
        ksort($ends);

        return array_slice(array_values($ends), 0, $count);
    }
}
