<?php

declare(strict_types=1);

namespace Insignum\Page;

use Masterminds\HTML5\Parser\Scanner;
use Masterminds\HTML5\Parser\Tokenizer;

/**
 * HTML to a Page, by way of the tree that browsers build.
 *
 * Scripting counts as off: what `noscript` holds are elements. Contents of `template` and of frames are left out.
 */
final class PageReader
{
    private const OLD_DOCTYPES = '/\A(?:-\/\/W3O\/\/DTD W3 HTML Strict 3\.0\/\/EN\/\/|-\/W3C\/DTD HTML 4\.0 Transitional\/EN|HTML)\z|\A(?:\+\/\/Silmaril|-\/\/(?:AS|AdvaSoft|IETF|Metrius|Microsoft|Netscape|O\'Reilly|SoftQuad|Spyglass|Sun|WebTechs)|-\/\/W3C\/\/DTD (?:HTML (?:3|4\.0 (?:Frameset|Transitional)|Experimental)|W3 HTML)|-\/\/W3O\/\/DTD W3 HTML 3)/i';

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

    /** @var array<int, string> */
    private array $foreign = [];

    private string $title = '';

    public static function read(string $html): Page
    {
        $html = mb_check_encoding($html, 'UTF-8') ? $html : mb_convert_encoding($html, 'UTF-8', 'Windows-1252');
        $quirks = self::isQuirky($html);
        $builder = new TreeBuilder($quirks);
        (new Tokenizer(new Scanner($html), $builder))->parse();
        $reader = new self;
        $reader->element($builder->root(), -1);
        ksort($reader->ends);

        return new Page(
            $reader->tags, $reader->parents, array_values($reader->ends), $reader->attributes, $reader->classes,
            array_values($reader->texts), array_values($reader->hasContent), $reader->sheets, $reader->foreign,
            $reader->title, $reader->attributes[0]['lang'] ?? '', $quirks,
        );
    }

    /** HTML 13.2.6.4.1: no doctype, or an old one. */
    private static function isQuirky(string $html): bool
    {
        if (! preg_match('/\A(?:\xEF\xBB\xBF)?(?:\s|<!--.*?-->)*+<!doctype\s+html\b([^>]*)>/is', $html, $m)) {
            return true;
        }
        if (! preg_match('/\A\s*public\s*(["\'])(.*?)\1\s*(?:(["\'])(.*?)\3)?/is', $m[1], $id)) {
            return false;
        }
        $hasSystem = ($id[4] ?? '') !== '';

        return preg_match(self::OLD_DOCTYPES, $id[2]) === 1 || (! $hasSystem && preg_match('/\A-\/\/W3C\/\/DTD HTML 4\.01 (?:Frameset|Transitional)\/\//i', $id[2]) === 1);
    }

    private function element(TreeNode $node, int $parent): void
    {
        $element = count($this->tags);
        if ($node->space !== 'html') {
            $this->foreign[$element] = $node->space;
        }
        $this->tags[] = $node->tag;
        $this->parents[] = $parent;
        $this->attributes[] = $node->attributes;
        $this->classes[] = array_values(array_unique(preg_split('/[ \t\n\f\r]+/', $node->attributes['class'] ?? '', -1, PREG_SPLIT_NO_EMPTY) ?: []));
        $this->texts[$element] = '';
        $this->hasContent[$element] = $node->children !== [];
        $text = '';
        foreach ($node->children as $child) {
            if ($child instanceof TreeNode) {
                $this->element($child, $element);
            } else {
                $text .= $child;
            }
        }
        if ($node->space === 'html') {
            $this->collect($node, $text);
        }
        if (! $node->is('script', 'style', 'title')) {
            $this->texts[$element] = trim((string) preg_replace('/\s+/u', ' ', $text));
        }
        $this->ends[$element] = count($this->tags);
    }

    private function collect(TreeNode $node, string $text): void
    {
        if ($node->tag === 'title' && $this->title === '') {
            $this->title = trim((string) preg_replace('/\s+/u', ' ', $text));
        }
        $type = strtolower(trim($node->attributes['type'] ?? ''));
        if ($node->tag === 'style' && ($type === '' || $type === 'text/css')) {
            $this->sheets[] = new StyleSource(null, $text, $node->attributes['media'] ?? '');
        }
        $relations = preg_split('/\s+/', strtolower($node->attributes['rel'] ?? '')) ?: [];
        if ($node->tag === 'link' && isset($node->attributes['href']) && in_array('stylesheet', $relations, true) && ! in_array('alternate', $relations, true) && ! isset($node->attributes['disabled'])) {
            $this->sheets[] = new StyleSource($node->attributes['href'], null, $node->attributes['media'] ?? '');
        }
    }
}
