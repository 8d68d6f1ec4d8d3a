<?php

declare(strict_types=1);

namespace Insignum\Page;

use Masterminds\HTML5\Elements;
use Masterminds\HTML5\Parser\EventHandler;

/**
 * Tree construction as browsers do it: HTML Living Standard, section 13.2.6, scripting off, driven by the tokenizer of
 * masterminds/html5.
 *
 * Left out: frames, and what is inside `template`, which no selector of the page reaches.
 */
final class TreeBuilder implements EventHandler
{
    private const FORMATTING = ' a b big code em font i nobr s small strike strong tt u ';

    private const VOID = ' area base br col embed hr img input link meta param source track wbr basefont bgsound frame keygen ';

    private const BLOCKS = ' address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer header hgroup main menu nav ol p search section summary ul ';

    private const BREAKOUT = ' b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing menu meta nobr ol p pre ruby s small span strong strike sub sup table tt u ul var ';

    private const SVG_CASE = 'altGlyph altGlyphDef altGlyphItem animateColor animateMotion animateTransform clipPath feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence foreignObject glyphRef linearGradient radialGradient textPath';

    public readonly TreeNode $root;

    public bool $quirks = true;

    private string $mode = 'initial';

    private string $returnMode = 'in body';

    private readonly OpenTree $tree;

    private ?TreeNode $head = null;

    private ?TreeNode $form = null;

    private int $templates = 0;

    private bool $skipLineFeed = false;

    /** @var array<string, string> */
    private readonly array $svgCase;

    public function __construct()
    {
        $this->root = new TreeNode('html');
        $this->tree = new OpenTree($this->root);
        $names = explode(' ', self::SVG_CASE);
        $this->svgCase = array_combine(array_map(strtolower(...), $names), $names);
    }

    public function doctype($name, $idType = 0, $id = null, $quirks = false): void
    {
        if ($this->mode === 'initial') {
            $this->mode = 'before html';
        }
    }

    /**
     * @param  string  $name
     * @param  array<string, string>  $attributes
     * @param  bool  $selfClosing
     * @return int how the tokenizer reads on
     */
    public function startTag($name, $attributes = [], $selfClosing = false)
    {
        $this->skipLineFeed = false;
        $clean = [];
        foreach ($attributes as $key => $value) {
            $clean[(string) $key] = (string) $value;
        }
        if ($this->templates > 0) {
            $this->templates += $name === 'template' ? 1 : 0;

            return $this->textMode($name);
        }
        $current = $this->tree->current();
        if ($current !== null && $current->space !== 'html' && ! $this->takesHtml($current, $name)) {
            return $this->foreign($name, $clean, $selfClosing);
        }
        $this->start($name, $clean, $selfClosing);
        $now = $this->tree->current();

        return $now !== null && $now->tag === $name && $now->space === 'html' ? $this->textMode($name) : 0;
    }

    /** @param  string  $name */
    public function endTag($name): void
    {
        $this->skipLineFeed = false;
        if ($this->templates > 0) {
            $this->templates -= $name === 'template' ? 1 : 0;

            return;
        }
        $current = $this->tree->current();
        if ($current !== null && $current->space !== 'html') {
            if ($name === 'p' || $name === 'br') {
                $this->leaveForeign();
            } elseif ($this->endForeign($name)) {
                return;
            }
        }
        $this->end($name);
    }

    /** @param  string  $cdata */
    public function text($cdata): void
    {
        $text = str_replace("\0", '', (string) $cdata);
        if ($this->skipLineFeed) {
            $text = preg_replace('/\A\n/', '', $text) ?? $text;
            $this->skipLineFeed = false;
        }
        if ($text === '' || $this->templates > 0) {
            return;
        }
        $current = $this->tree->current();
        if ($current !== null && $current->space !== 'html') {
            $current->text($text);

            return;
        }
        $this->characters($text);
    }

    public function cdata($data): void
    {
        $this->text($data);
    }

    /** @param  string  $cdata */
    public function comment($cdata): void
    {
    }

    public function eof(): void
    {
        // 13.2.6.4.8: at the end of the file raw text ends too.
        if ($this->mode === 'text') {
            $this->tree->pop();
            $this->mode = $this->returnMode;
        }
        if (! in_array($this->mode, ['in body', 'after body', 'in table', 'in table body', 'in row', 'in cell', 'in caption', 'in column group'], true)) {
            $this->start('body', [], false);
        }
    }

    /**
     * @param  string  $msg
     * @param  int  $line
     * @param  int  $col
     */
    public function parseError($msg, $line, $col): void
    {
    }

    public function processingInstruction($name, $data = null): void
    {
    }

    private function textMode(string $name): int
    {
        return match ($name) {
            'title', 'textarea' => Elements::TEXT_RCDATA,
            'style', 'xmp', 'iframe', 'noembed', 'noframes', 'script', 'plaintext' => Elements::TEXT_RAW,
            default => 0,
        };
    }

    /** @param  array<string, string>  $attributes */
    private function start(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($this->mode) {
            case 'initial':
            case 'before html':
                $this->openRoot($name === 'html' ? $attributes : []);
                if ($name !== 'html') {
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'before head':
                if ($name === 'html') {
                    $this->mergeInto($this->root, $attributes);
                } elseif ($name === 'head') {
                    $this->head = $this->tree->insert('head', $attributes);
                    $this->mode = 'in head';
                } else {
                    $this->head = $this->tree->insert('head');
                    $this->mode = 'in head';
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'in head':
                $this->startInHead($name, $attributes, $selfClosing);
                break;
            case 'in head noscript':
                if (in_array($name, ['basefont', 'bgsound', 'link', 'meta', 'noframes', 'style'], true)) {
                    $this->insertInHead($name, $attributes);
                } elseif ($name !== 'head' && $name !== 'noscript') {
                    $this->tree->pop();
                    $this->mode = 'in head';
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'after head':
                $this->startAfterHead($name, $attributes, $selfClosing);
                break;
            case 'text':
                $this->mode = $this->returnMode;
                $this->start($name, $attributes, $selfClosing);
                break;
            case 'in table':
                $this->startInTable($name, $attributes, $selfClosing);
                break;
            case 'in caption':
                if (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    if ($this->closeCaption()) {
                        $this->start($name, $attributes, $selfClosing);
                    }
                } else {
                    $this->startInBody($name, $attributes, $selfClosing);
                }
                break;
            case 'in column group':
                if ($name === 'col') {
                    $this->tree->insert('col', $attributes);
                    $this->tree->pop();
                } elseif ($this->tree->current()?->is('colgroup')) {
                    $this->tree->pop();
                    $this->mode = 'in table';
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'in table body':
                $this->startInTableBody($name, $attributes, $selfClosing);
                break;
            case 'in row':
                $this->startInRow($name, $attributes, $selfClosing);
                break;
            case 'in cell':
                if (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    if ($this->tree->inTableScope('td') || $this->tree->inTableScope('th')) {
                        $this->closeCell();
                        $this->start($name, $attributes, $selfClosing);
                    }
                } else {
                    $this->startInBody($name, $attributes, $selfClosing);
                }
                break;
            case 'after body':
                if ($name === 'html') {
                    $this->mergeInto($this->root, $attributes);
                } else {
                    $this->mode = 'in body';
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            default:
                $this->startInBody($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function openRoot(array $attributes): void
    {
        $this->root->attributes = $attributes;
        $this->tree->push($this->root);
        $this->mode = 'before head';
    }

    /** @param  array<string, string>  $attributes */
    private function mergeInto(TreeNode $node, array $attributes): void
    {
        $node->attributes += $attributes;
    }

    /** @param  array<string, string>  $attributes */
    private function startInHead(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html') {
            $this->mergeInto($this->root, $attributes);
        } elseif ($name === 'noscript') {
            $this->tree->insert('noscript', $attributes);
            $this->mode = 'in head noscript';
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'title', 'noframes', 'style', 'script', 'template'], true)) {
            $this->insertInHead($name, $attributes);
        } elseif ($name !== 'head') {
            $this->tree->pop();
            $this->mode = 'after head';
            $this->start($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function insertInHead(string $name, array $attributes): void
    {
        $this->tree->insert($name, $attributes);
        if ($name === 'template') {
            $this->tree->pop();
            $this->templates = 1;
        } elseif ($this->textMode($name) === 0) {
            $this->tree->pop();
        } else {
            $this->toText();
        }
    }

    private function toText(): void
    {
        $this->returnMode = $this->mode === 'text' ? $this->returnMode : $this->mode;
        $this->mode = 'text';
    }

    /** @param  array<string, string>  $attributes */
    private function startAfterHead(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html') {
            $this->mergeInto($this->root, $attributes);
        } elseif ($name === 'body') {
            $this->tree->insert('body', $attributes);
            $this->mode = 'in body';
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'noframes', 'script', 'style', 'template', 'title'], true) && $this->head !== null) {
            $head = $this->head;
            $this->tree->push($head);
            $this->insertInHead($name, $attributes);
            $this->tree->forget($head);
        } elseif ($name !== 'head') {
            $this->tree->insert('body');
            $this->mode = 'in body';
            $this->start($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInBody(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html' || $name === 'body') {
            $this->mergeInto($name === 'html' ? $this->root : ($this->tree->open[1] ?? $this->root), $attributes);

            return;
        }
        if (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'noframes', 'script', 'style', 'template', 'title'], true)) {
            $this->insertInHead($name, $attributes);

            return;
        }
        if (in_array($name, ['caption', 'col', 'colgroup', 'frame', 'frameset', 'head', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
            return;
        }
        if (str_contains(self::BLOCKS, " $name ")) {
            $this->tree->closeParagraph();
            $this->tree->insert($name, $attributes);
        } elseif (preg_match('/\Ah[1-6]\z/', $name)) {
            $this->tree->closeParagraph();
            if (preg_match('/\Ah[1-6]\z/', (string) $this->tree->current()?->tag)) {
                $this->tree->pop();
            }
            $this->tree->insert($name, $attributes);
        } elseif ($name === 'pre' || $name === 'listing') {
            $this->tree->closeParagraph();
            $this->tree->insert($name, $attributes);
            $this->skipLineFeed = true;
        } elseif ($name === 'form') {
            if ($this->form === null) {
                $this->tree->closeParagraph();
                $this->form = $this->tree->insert('form', $attributes);
            }
        } elseif ($name === 'li' || $name === 'dd' || $name === 'dt') {
            $this->tree->closeItem($name);
            $this->tree->closeParagraph();
            $this->tree->insert($name, $attributes);
        } elseif ($name === 'plaintext' || $name === 'xmp') {
            $this->tree->closeParagraph();
            if ($name === 'xmp') {
                $this->tree->reconstruct();
            }
            $this->tree->insert($name, $attributes);
            $this->toText();
        } elseif ($name === 'button') {
            if ($this->tree->inScope('button')) {
                $this->tree->implied();
                $this->tree->popUntil('button');
            }
            $this->tree->reconstruct();
            $this->tree->insert('button', $attributes);
        } else {
            $this->startInline($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInline(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($name) {
            case 'a':
                foreach (array_reverse($this->tree->sinceMarker()) as $node) {
                    if ($node->is('a')) {
                        $this->tree->agency('a');
                        $this->tree->forgetFormatting($node);
                        $this->tree->forget($node);
                        break;
                    }
                }
                $this->tree->reconstruct();
                $this->tree->pushFormatting($this->tree->insert('a', $attributes));
                break;
            case 'nobr':
                $this->tree->reconstruct();
                if ($this->tree->inScope('nobr')) {
                    $this->tree->agency('nobr');
                    $this->tree->reconstruct();
                }
                $this->tree->pushFormatting($this->tree->insert('nobr', $attributes));
                break;
            case 'applet': case 'marquee': case 'object':
                $this->tree->reconstruct();
                $this->tree->insert($name, $attributes);
                $this->tree->mark();
                break;
            case 'table':
                if (! $this->quirks) {
                    $this->tree->closeParagraph();
                }
                $this->tree->insert('table', $attributes);
                $this->mode = 'in table';
                break;
            case 'image':
                $this->startInline('img', $attributes, $selfClosing);
                break;
            case 'input':
                if ($this->tree->inScope('select')) {
                    $this->tree->popUntil('select');
                }
                $this->tree->reconstruct();
                $this->tree->insert('input', $attributes);
                $this->tree->pop();
                break;
            case 'hr':
                $this->tree->closeParagraph();
                if ($this->tree->inScope('select')) {
                    $this->tree->implied();
                }
                $this->tree->insert('hr', $attributes);
                $this->tree->pop();
                break;
            case 'param': case 'source': case 'track':
                $this->tree->insert($name, $attributes);
                $this->tree->pop();
                break;
            case 'textarea': case 'iframe': case 'noembed':
                $this->tree->insert($name, $attributes);
                $this->skipLineFeed = $name === 'textarea';
                $this->toText();
                break;
            case 'select':
                if ($this->tree->inScope('select')) {
                    $this->tree->popUntil('select');
                } else {
                    $this->tree->reconstruct();
                    $this->tree->insert('select', $attributes);
                }
                break;
            case 'option':
                if ($this->tree->inScope('select')) {
                    $this->tree->implied('optgroup');
                } elseif ($this->tree->current()?->is('option')) {
                    $this->tree->pop();
                }
                $this->tree->reconstruct();
                $this->tree->insert('option', $attributes);
                break;
            case 'optgroup':
                if ($this->tree->inScope('select')) {
                    $this->tree->implied();
                } elseif ($this->tree->current()?->is('option')) {
                    $this->tree->pop();
                }
                $this->tree->reconstruct();
                $this->tree->insert('optgroup', $attributes);
                break;
            case 'rb': case 'rtc':
                if ($this->tree->inScope('ruby')) {
                    $this->tree->implied();
                }
                $this->tree->insert($name, $attributes);
                break;
            case 'rp': case 'rt':
                if ($this->tree->inScope('ruby')) {
                    $this->tree->implied('rtc');
                }
                $this->tree->insert($name, $attributes);
                break;
            case 'svg': case 'math':
                $this->tree->reconstruct();
                $this->insertForeign($name, $attributes, $name, $selfClosing);
                break;
            default:
                $this->tree->reconstruct();
                $node = $this->tree->insert($name, $attributes);
                if (str_contains(self::VOID, " $name ")) {
                    $this->tree->pop();
                } elseif (str_contains(self::FORMATTING, " $name ")) {
                    $this->tree->pushFormatting($node);
                }
        }
    }

    private function end(string $name): void
    {
        switch ($this->mode) {
            case 'initial': case 'before html':
                if (in_array($name, ['head', 'body', 'html', 'br'], true)) {
                    $this->openRoot([]);
                    $this->end($name);
                }
                break;
            case 'before head':
                if (in_array($name, ['head', 'body', 'html', 'br'], true)) {
                    $this->start('head', [], false);
                    $this->end($name);
                }
                break;
            case 'after head':
                if (in_array($name, ['body', 'html', 'br'], true)) {
                    $this->start('body', [], false);
                    $this->end($name);
                }
                break;
            case 'in head':
                if ($name === 'head') {
                    $this->tree->pop();
                    $this->mode = 'after head';
                } elseif (in_array($name, ['body', 'html', 'br'], true)) {
                    $this->tree->pop();
                    $this->mode = 'after head';
                    $this->end($name);
                }
                break;
            case 'in head noscript':
                if ($name === 'noscript' || $name === 'br') {
                    $this->tree->pop();
                    $this->mode = 'in head';
                    if ($name === 'br') {
                        $this->end($name);
                    }
                }
                break;
            case 'text':
                $this->tree->pop();
                $this->mode = $this->returnMode;
                break;
            case 'in table':
                if ($name === 'table') {
                    if ($this->tree->inTableScope('table')) {
                        $this->tree->popUntil('table');
                        $this->resetMode();
                    }
                } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    $this->tree->fostering(fn () => $this->endInBody($name));
                }
                break;
            case 'in caption':
                if ($name === 'caption') {
                    $this->closeCaption();
                } elseif ($name === 'table') {
                    if ($this->closeCaption()) {
                        $this->end($name);
                    }
                } elseif (! in_array($name, ['body', 'col', 'colgroup', 'html', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    $this->endInBody($name);
                }
                break;
            case 'in column group':
                if ($this->tree->current()?->is('colgroup') && $name !== 'col') {
                    $this->tree->pop();
                    $this->mode = 'in table';
                    if ($name !== 'colgroup') {
                        $this->end($name);
                    }
                }
                break;
            case 'in table body':
                $this->endInTableBody($name);
                break;
            case 'in row':
                $this->endInRow($name);
                break;
            case 'in cell':
                $this->endInCell($name);
                break;
            case 'after body':
                if ($name !== 'html' && $name !== 'body') {
                    $this->mode = 'in body';
                    $this->end($name);
                }
                break;
            default:
                $this->endInBody($name);
        }
    }

    private function endInBody(string $name): void
    {
        if ($name === 'body' || $name === 'html') {
            if ($this->tree->inScope('body')) {
                $this->mode = 'after body';
            }
        } elseif (str_contains(self::BLOCKS, " $name ") && $name !== 'p' || in_array($name, ['button', 'listing', 'pre', 'select'], true)) {
            if ($this->tree->inScope($name)) {
                $this->tree->implied();
                $this->tree->popUntil($name);
            }
        } elseif ($name === 'form') {
            $form = $this->form;
            $this->form = null;
            if ($form !== null && in_array($form, $this->tree->open, true)) {
                $this->tree->implied();
                $this->tree->forget($form);
            }
        } elseif ($name === 'p') {
            if (! $this->tree->inScope('p', ' button ')) {
                $this->tree->insert('p');
            }
            $this->tree->closeParagraph();
        } elseif ($name === 'li') {
            if ($this->tree->inScope('li', ' ol ul ')) {
                $this->tree->implied('li');
                $this->tree->popUntil('li');
            }
        } elseif ($name === 'dd' || $name === 'dt') {
            if ($this->tree->inScope($name)) {
                $this->tree->implied($name);
                $this->tree->popUntil($name);
            }
        } elseif (preg_match('/\Ah[1-6]\z/', $name)) {
            $headings = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6'];
            if (array_filter($headings, fn (string $h): bool => $this->tree->inScope($h)) !== []) {
                $this->tree->implied();
                while (($popped = $this->tree->pop()) !== null && ! $popped->is(...$headings));
            }
        } elseif (str_contains(self::FORMATTING, " $name ")) {
            $this->tree->agency($name);
        } elseif (in_array($name, ['applet', 'marquee', 'object'], true)) {
            if ($this->tree->inScope($name)) {
                $this->tree->implied();
                $this->tree->popUntil($name);
                $this->tree->clearToMarker();
            }
        } elseif ($name === 'br') {
            $this->startInline('br', [], false);
        } else {
            $this->tree->endOther($name);
        }
    }

    private function characters(string $text): void
    {
        switch ($this->mode) {
            case 'initial': case 'before html': case 'before head':
                $text = ltrim($text, " \t\n\f\r");
                if ($text !== '') {
                    $this->start('body', [], false);
                    $this->characters($text);
                }
                break;
            case 'in head': case 'in head noscript': case 'after head':
                $rest = ltrim($text, " \t\n\f\r");
                if ($rest !== $text) {
                    $this->tree->current()?->text(substr($text, 0, strlen($text) - strlen($rest)));
                }
                if ($rest !== '') {
                    if ($this->mode !== 'after head') {
                        $this->mode === 'in head noscript' && $this->tree->pop();
                        $this->tree->pop();
                        $this->mode = 'after head';
                    }
                    $this->start('body', [], false);
                    $this->characters($rest);
                }
                break;
            case 'text':
                $this->tree->current()?->text($text);
                break;
            case 'in table': case 'in table body': case 'in row': case 'in column group':
                if (trim($text, " \t\n\f\r") === '' && ($this->mode === 'in column group' || $this->tree->current()?->is('table', 'tbody', 'tfoot', 'thead', 'tr') === true)) {
                    $this->tree->current()?->text($text);
                } elseif ($this->mode === 'in column group') {
                    $this->end('colgroup');
                    $this->characters($text);
                } else {
                    $this->tree->fostering(fn () => $this->bodyText($text));
                }
                break;
            case 'after body':
                if (trim($text, " \t\n\f\r") !== '') {
                    $this->mode = 'in body';
                }
                $this->bodyText($text);
                break;
            default:
                $this->bodyText($text);
        }
    }

    private function bodyText(string $text): void
    {
        $this->tree->reconstruct();
        [$parent, $before] = $this->tree->place();
        if ($before === null) {
            $parent->text($text);
        } else {
            $parent->insertBefore($text, $before);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInTable(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($name) {
            case 'caption':
                $this->tree->clearTo('table');
                $this->tree->mark();
                $this->tree->insert('caption', $attributes);
                $this->mode = 'in caption';
                break;
            case 'colgroup':
                $this->tree->clearTo('table');
                $this->tree->insert('colgroup', $attributes);
                $this->mode = 'in column group';
                break;
            case 'col':
                $this->startInTable('colgroup', [], false);
                $this->start('col', $attributes, $selfClosing);
                break;
            case 'tbody': case 'tfoot': case 'thead':
                $this->tree->clearTo('table');
                $this->tree->insert($name, $attributes);
                $this->mode = 'in table body';
                break;
            case 'td': case 'th': case 'tr':
                $this->startInTable('tbody', [], false);
                $this->start($name, $attributes, $selfClosing);
                break;
            case 'table':
                if ($this->tree->inTableScope('table')) {
                    $this->tree->popUntil('table');
                    $this->resetMode();
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'style': case 'script': case 'template':
                $this->insertInHead($name, $attributes);
                break;
            case 'input':
                if (strtolower($attributes['type'] ?? '') === 'hidden') {
                    $this->tree->insert('input', $attributes);
                    $this->tree->pop();
                } else {
                    $this->tree->fostering(fn () => $this->startInBody($name, $attributes, $selfClosing));
                }
                break;
            case 'form':
                if ($this->form === null) {
                    $this->form = $this->tree->insert('form', $attributes);
                    $this->tree->pop();
                }
                break;
            default:
                $this->tree->fostering(fn () => $this->startInBody($name, $attributes, $selfClosing));
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInTableBody(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'tr') {
            $this->tree->clearTo('tbody', 'tfoot', 'thead');
            $this->tree->insert('tr', $attributes);
            $this->mode = 'in row';
        } elseif ($name === 'th' || $name === 'td') {
            $this->startInTableBody('tr', [], false);
            $this->start($name, $attributes, $selfClosing);
        } elseif (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'tfoot', 'thead'], true)) {
            if ($this->leaveTableBody()) {
                $this->start($name, $attributes, $selfClosing);
            }
        } else {
            $this->startInTable($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInRow(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'th' || $name === 'td') {
            $this->tree->clearTo('tr');
            $this->tree->insert($name, $attributes);
            $this->mode = 'in cell';
            $this->tree->mark();
        } elseif (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'tfoot', 'thead', 'tr'], true)) {
            if ($this->leaveRow()) {
                $this->start($name, $attributes, $selfClosing);
            }
        } else {
            $this->startInTable($name, $attributes, $selfClosing);
        }
    }

    private function endInTableBody(string $name): void
    {
        if (in_array($name, ['tbody', 'tfoot', 'thead'], true)) {
            if ($this->tree->inTableScope($name)) {
                $this->tree->clearTo('tbody', 'tfoot', 'thead');
                $this->tree->pop();
                $this->mode = 'in table';
            }
        } elseif ($name === 'table') {
            if ($this->leaveTableBody()) {
                $this->end('table');
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tr'], true)) {
            $this->tree->fostering(fn () => $this->endInBody($name));
        }
    }

    private function endInRow(string $name): void
    {
        if ($name === 'tr') {
            $this->leaveRow();
        } elseif ($name === 'table' || (in_array($name, ['tbody', 'tfoot', 'thead'], true) && $this->tree->inTableScope($name))) {
            if ($this->leaveRow()) {
                $this->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tbody', 'tfoot', 'thead'], true)) {
            $this->tree->fostering(fn () => $this->endInBody($name));
        }
    }

    private function endInCell(string $name): void
    {
        if ($name === 'td' || $name === 'th') {
            if ($this->tree->inTableScope($name)) {
                $this->tree->implied();
                $this->tree->popUntil($name);
                $this->tree->clearToMarker();
                $this->mode = 'in row';
            }
        } elseif (in_array($name, ['table', 'tbody', 'tfoot', 'thead', 'tr'], true)) {
            if ($this->tree->inTableScope($name)) {
                $this->closeCell();
                $this->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html'], true)) {
            $this->endInBody($name);
        }
    }

    private function leaveTableBody(): bool
    {
        if (! $this->tree->inTableScope('tbody') && ! $this->tree->inTableScope('thead') && ! $this->tree->inTableScope('tfoot')) {
            return false;
        }
        $this->tree->clearTo('tbody', 'tfoot', 'thead');
        $this->tree->pop();
        $this->mode = 'in table';

        return true;
    }

    private function leaveRow(): bool
    {
        if (! $this->tree->inTableScope('tr')) {
            return false;
        }
        $this->tree->clearTo('tr');
        $this->tree->pop();
        $this->mode = 'in table body';

        return true;
    }

    private function closeCell(): void
    {
        $this->tree->implied();
        while (($popped = $this->tree->pop()) !== null && ! $popped->is('td', 'th'));
        $this->tree->clearToMarker();
        $this->mode = 'in row';
    }

    private function closeCaption(): bool
    {
        if (! $this->tree->inTableScope('caption')) {
            return false;
        }
        $this->tree->implied();
        $this->tree->popUntil('caption');
        $this->tree->clearToMarker();
        $this->mode = 'in table';

        return true;
    }

    /** 13.2.4.1, reset the insertion mode appropriately. */
    private function resetMode(): void
    {
        foreach (array_reverse($this->tree->open) as $node) {
            $mode = match ($node->space === 'html' ? $node->tag : '') {
                'td', 'th' => 'in cell',
                'tr' => 'in row',
                'tbody', 'thead', 'tfoot' => 'in table body',
                'caption' => 'in caption',
                'colgroup' => 'in column group',
                'table' => 'in table',
                'head' => 'in head',
                'body' => 'in body',
                default => null,
            };
            if ($mode !== null) {
                $this->mode = $mode;

                return;
            }
        }
        $this->mode = 'in body';
    }

    /** Whether a start tag in a foreign element is read by the rules for HTML: 13.2.6, tree construction dispatcher. */
    private function takesHtml(TreeNode $current, string $name): bool
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
    private function foreign(string $name, array $attributes, bool $selfClosing): int
    {
        $breaksOut = str_contains(self::BREAKOUT, " $name ") || ($name === 'font' && array_intersect(['color', 'face', 'size'], array_keys($attributes)) !== []);
        if ($breaksOut) {
            $this->leaveForeign();
            $this->start($name, $attributes, $selfClosing);

            return 0;
        }
        $this->insertForeign($name, $attributes, $this->tree->current()->space ?? 'svg', $selfClosing);

        return 0;
    }

    /** 13.2.6.5: up to what may hold HTML. */
    private function leaveForeign(): void
    {
        while (($node = $this->tree->current()) !== null && $node->space !== 'html' && ! $this->tree->isIntegrationPoint($node)) {
            $this->tree->pop();
        }
    }

    /** @param  array<string, string>  $attributes */
    private function insertForeign(string $name, array $attributes, string $space, bool $selfClosing): void
    {
        $node = new TreeNode($space === 'svg' ? ($this->svgCase[$name] ?? $name) : $name, $attributes, $space);
        $this->tree->put($node);
        if (! $selfClosing) {
            $this->tree->push($node);
        }
    }

    /** Whether the end tag was that of a foreign element. */
    private function endForeign(string $name): bool
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
