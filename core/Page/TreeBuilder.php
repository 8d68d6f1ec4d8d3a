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
    private const SPECIAL = ' address applet area article aside base basefont bgsound blockquote body br button caption center col colgroup dd details dir div dl dt embed fieldset figcaption figure footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html iframe img input keygen li link listing main marquee menu meta nav noembed noframes noscript object ol p param plaintext pre script section select source style summary table tbody td template textarea tfoot th thead title tr track ul wbr xmp ';

    private const FORMATTING = ' a b big code em font i nobr s small strike strong tt u ';

    private const SCOPE = ' applet caption html table td th marquee object template select ';

    private const VOID = ' area base br col embed hr img input link meta param source track wbr basefont bgsound frame keygen ';

    private const BLOCKS = ' address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer header hgroup main menu nav ol p search section summary ul ';

    private const BREAKOUT = ' b big blockquote body br center code dd div dl dt em embed h1 h2 h3 h4 h5 h6 head hr i img li listing menu meta nobr ol p pre ruby s small span strong strike sub sup table tt u ul var ';

    private const IMPLIED = ['dd', 'dt', 'li', 'optgroup', 'option', 'p', 'rb', 'rp', 'rt', 'rtc'];

    private const SVG_CASE = 'altGlyph altGlyphDef altGlyphItem animateColor animateMotion animateTransform clipPath feBlend feColorMatrix feComponentTransfer feComposite feConvolveMatrix feDiffuseLighting feDisplacementMap feDistantLight feDropShadow feFlood feFuncA feFuncB feFuncG feFuncR feGaussianBlur feImage feMerge feMergeNode feMorphology feOffset fePointLight feSpecularLighting feSpotLight feTile feTurbulence foreignObject glyphRef linearGradient radialGradient textPath';

    /** The stack of open elements is cut here, as browsers cut it. */
    private const DEEPEST = 512;

    /** The adoption agency's outer loop, and as many entries of the active formatting elements as are looked at. */
    private const AGENCY_ROUNDS = 8;

    public readonly TreeNode $root;

    public bool $quirks = true;

    private string $mode = 'initial';

    private string $returnMode = 'in body';

    /** @var list<TreeNode> */
    private array $open = [];

    /** @var list<?TreeNode> null is a marker */
    private array $formatting = [];

    private ?TreeNode $head = null;

    private ?TreeNode $form = null;

    private bool $fosters = false;

    private int $templates = 0;

    private bool $skipLineFeed = false;

    /** @var array<string, string> */
    private readonly array $svgCase;

    public function __construct()
    {
        $this->root = new TreeNode('html');
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
        $current = $this->current();
        if ($current !== null && $current->space !== 'html' && ! $this->takesHtml($current, $name)) {
            return $this->foreign($name, $clean, $selfClosing);
        }
        $this->start($name, $clean, $selfClosing);
        $now = $this->current();

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
        $current = $this->current();
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
        $current = $this->current();
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
            array_pop($this->open);
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

    private function current(): ?TreeNode
    {
        return $this->open === [] ? null : $this->open[count($this->open) - 1];
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
                    $this->head = $this->insert('head', $attributes);
                    $this->mode = 'in head';
                } else {
                    $this->head = $this->insert('head');
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
                    array_pop($this->open);
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
                    $this->insert('col', $attributes);
                    array_pop($this->open);
                } elseif ($this->current()?->is('colgroup')) {
                    array_pop($this->open);
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
                    if ($this->inTableScope('td') || $this->inTableScope('th')) {
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
        $this->open = [$this->root];
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
            $this->insert('noscript', $attributes);
            $this->mode = 'in head noscript';
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'title', 'noframes', 'style', 'script', 'template'], true)) {
            $this->insertInHead($name, $attributes);
        } elseif ($name !== 'head') {
            array_pop($this->open);
            $this->mode = 'after head';
            $this->start($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function insertInHead(string $name, array $attributes): void
    {
        $this->insert($name, $attributes);
        if ($name === 'template') {
            array_pop($this->open);
            $this->templates = 1;
        } elseif ($this->textMode($name) === 0) {
            array_pop($this->open);
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
            $this->insert('body', $attributes);
            $this->mode = 'in body';
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'noframes', 'script', 'style', 'template', 'title'], true) && $this->head !== null) {
            $this->open[] = $this->head;
            $this->insertInHead($name, $attributes);
            $this->open = array_values(array_filter($this->open, fn (TreeNode $n): bool => $n !== $this->head));
        } elseif ($name !== 'head') {
            $this->insert('body');
            $this->mode = 'in body';
            $this->start($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInBody(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html' || $name === 'body') {
            $this->mergeInto($name === 'html' ? $this->root : ($this->open[1] ?? $this->root), $attributes);

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
            $this->closeParagraph();
            $this->insert($name, $attributes);
        } elseif (preg_match('/\Ah[1-6]\z/', $name)) {
            $this->closeParagraph();
            if (preg_match('/\Ah[1-6]\z/', (string) $this->current()?->tag)) {
                array_pop($this->open);
            }
            $this->insert($name, $attributes);
        } elseif ($name === 'pre' || $name === 'listing') {
            $this->closeParagraph();
            $this->insert($name, $attributes);
            $this->skipLineFeed = true;
        } elseif ($name === 'form') {
            if ($this->form === null) {
                $this->closeParagraph();
                $this->form = $this->insert('form', $attributes);
            }
        } elseif ($name === 'li' || $name === 'dd' || $name === 'dt') {
            $this->closeItem($name);
            $this->closeParagraph();
            $this->insert($name, $attributes);
        } elseif ($name === 'plaintext' || $name === 'xmp') {
            $this->closeParagraph();
            if ($name === 'xmp') {
                $this->reconstruct();
            }
            $this->insert($name, $attributes);
            $this->toText();
        } elseif ($name === 'button') {
            if ($this->inScope('button')) {
                $this->implied();
                $this->popUntil('button');
            }
            $this->reconstruct();
            $this->insert('button', $attributes);
        } else {
            $this->startInline($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInline(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($name) {
            case 'a':
                foreach (array_reverse($this->sinceMarker()) as $node) {
                    if ($node->is('a')) {
                        $this->agency('a');
                        $this->formatting = array_values(array_filter($this->formatting, static fn (?TreeNode $n): bool => $n !== $node));
                        $this->open = array_values(array_filter($this->open, static fn (TreeNode $n): bool => $n !== $node));
                        break;
                    }
                }
                $this->reconstruct();
                $this->pushFormatting($this->insert('a', $attributes));
                break;
            case 'nobr':
                $this->reconstruct();
                if ($this->inScope('nobr')) {
                    $this->agency('nobr');
                    $this->reconstruct();
                }
                $this->pushFormatting($this->insert('nobr', $attributes));
                break;
            case 'applet': case 'marquee': case 'object':
                $this->reconstruct();
                $this->insert($name, $attributes);
                $this->formatting[] = null;
                break;
            case 'table':
                if (! $this->quirks) {
                    $this->closeParagraph();
                }
                $this->insert('table', $attributes);
                $this->mode = 'in table';
                break;
            case 'image':
                $this->startInline('img', $attributes, $selfClosing);
                break;
            case 'input':
                if ($this->inScope('select')) {
                    $this->popUntil('select');
                }
                $this->reconstruct();
                $this->insert('input', $attributes);
                array_pop($this->open);
                break;
            case 'hr':
                $this->closeParagraph();
                if ($this->inScope('select')) {
                    $this->implied();
                }
                $this->insert('hr', $attributes);
                array_pop($this->open);
                break;
            case 'param': case 'source': case 'track':
                $this->insert($name, $attributes);
                array_pop($this->open);
                break;
            case 'textarea': case 'iframe': case 'noembed':
                $this->insert($name, $attributes);
                $this->skipLineFeed = $name === 'textarea';
                $this->toText();
                break;
            case 'select':
                if ($this->inScope('select')) {
                    $this->popUntil('select');
                } else {
                    $this->reconstruct();
                    $this->insert('select', $attributes);
                }
                break;
            case 'option':
                if ($this->inScope('select')) {
                    $this->implied('optgroup');
                } elseif ($this->current()?->is('option')) {
                    array_pop($this->open);
                }
                $this->reconstruct();
                $this->insert('option', $attributes);
                break;
            case 'optgroup':
                if ($this->inScope('select')) {
                    $this->implied();
                } elseif ($this->current()?->is('option')) {
                    array_pop($this->open);
                }
                $this->reconstruct();
                $this->insert('optgroup', $attributes);
                break;
            case 'rb': case 'rtc':
                if ($this->inScope('ruby')) {
                    $this->implied();
                }
                $this->insert($name, $attributes);
                break;
            case 'rp': case 'rt':
                if ($this->inScope('ruby')) {
                    $this->implied('rtc');
                }
                $this->insert($name, $attributes);
                break;
            case 'svg': case 'math':
                $this->reconstruct();
                $this->insertForeign($name, $attributes, $name, $selfClosing);
                break;
            default:
                $this->reconstruct();
                $node = $this->insert($name, $attributes);
                if (str_contains(self::VOID, " $name ")) {
                    array_pop($this->open);
                } elseif (str_contains(self::FORMATTING, " $name ")) {
                    $this->pushFormatting($node);
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
                    array_pop($this->open);
                    $this->mode = 'after head';
                } elseif (in_array($name, ['body', 'html', 'br'], true)) {
                    array_pop($this->open);
                    $this->mode = 'after head';
                    $this->end($name);
                }
                break;
            case 'in head noscript':
                if ($name === 'noscript' || $name === 'br') {
                    array_pop($this->open);
                    $this->mode = 'in head';
                    if ($name === 'br') {
                        $this->end($name);
                    }
                }
                break;
            case 'text':
                array_pop($this->open);
                $this->mode = $this->returnMode;
                break;
            case 'in table':
                if ($name === 'table') {
                    if ($this->inTableScope('table')) {
                        $this->popUntil('table');
                        $this->resetMode();
                    }
                } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    $this->fostering(fn () => $this->endInBody($name));
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
                if ($this->current()?->is('colgroup') && $name !== 'col') {
                    array_pop($this->open);
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
            if ($this->inScope('body')) {
                $this->mode = 'after body';
            }
        } elseif (str_contains(self::BLOCKS, " $name ") && $name !== 'p' || in_array($name, ['button', 'listing', 'pre', 'select'], true)) {
            if ($this->inScope($name)) {
                $this->implied();
                $this->popUntil($name);
            }
        } elseif ($name === 'form') {
            $form = $this->form;
            $this->form = null;
            if ($form !== null && in_array($form, $this->open, true)) {
                $this->implied();
                $this->open = array_values(array_filter($this->open, static fn (TreeNode $n): bool => $n !== $form));
            }
        } elseif ($name === 'p') {
            if (! $this->inScope('p', ' button ')) {
                $this->insert('p');
            }
            $this->closeParagraph();
        } elseif ($name === 'li') {
            if ($this->inScope('li', ' ol ul ')) {
                $this->implied('li');
                $this->popUntil('li');
            }
        } elseif ($name === 'dd' || $name === 'dt') {
            if ($this->inScope($name)) {
                $this->implied($name);
                $this->popUntil($name);
            }
        } elseif (preg_match('/\Ah[1-6]\z/', $name)) {
            $headings = ['h1', 'h2', 'h3', 'h4', 'h5', 'h6'];
            if (array_filter($headings, fn (string $h): bool => $this->inScope($h)) !== []) {
                $this->implied();
                while (($popped = array_pop($this->open)) !== null && ! $popped->is(...$headings));
            }
        } elseif (str_contains(self::FORMATTING, " $name ")) {
            $this->agency($name);
        } elseif (in_array($name, ['applet', 'marquee', 'object'], true)) {
            if ($this->inScope($name)) {
                $this->implied();
                $this->popUntil($name);
                $this->clearToMarker();
            }
        } elseif ($name === 'br') {
            $this->startInline('br', [], false);
        } else {
            $this->endOther($name);
        }
    }

    private function endOther(string $name): void
    {
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            $node = $this->open[$i];
            if ($node->is($name)) {
                $this->implied($name);
                $this->open = array_slice($this->open, 0, min($i, count($this->open)));

                return;
            }
            if ($this->isSpecial($node)) {
                return;
            }
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
                    $this->current()?->text(substr($text, 0, strlen($text) - strlen($rest)));
                }
                if ($rest !== '') {
                    if ($this->mode !== 'after head') {
                        $this->mode === 'in head noscript' && array_pop($this->open);
                        array_pop($this->open);
                        $this->mode = 'after head';
                    }
                    $this->start('body', [], false);
                    $this->characters($rest);
                }
                break;
            case 'text':
                $this->current()?->text($text);
                break;
            case 'in table': case 'in table body': case 'in row': case 'in column group':
                if (trim($text, " \t\n\f\r") === '' && ($this->mode === 'in column group' || $this->current()?->is('table', 'tbody', 'tfoot', 'thead', 'tr') === true)) {
                    $this->current()?->text($text);
                } elseif ($this->mode === 'in column group') {
                    $this->end('colgroup');
                    $this->characters($text);
                } else {
                    $this->fostering(fn () => $this->bodyText($text));
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
        $this->reconstruct();
        [$parent, $before] = $this->place();
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
                $this->clearTo('table');
                $this->formatting[] = null;
                $this->insert('caption', $attributes);
                $this->mode = 'in caption';
                break;
            case 'colgroup':
                $this->clearTo('table');
                $this->insert('colgroup', $attributes);
                $this->mode = 'in column group';
                break;
            case 'col':
                $this->startInTable('colgroup', [], false);
                $this->start('col', $attributes, $selfClosing);
                break;
            case 'tbody': case 'tfoot': case 'thead':
                $this->clearTo('table');
                $this->insert($name, $attributes);
                $this->mode = 'in table body';
                break;
            case 'td': case 'th': case 'tr':
                $this->startInTable('tbody', [], false);
                $this->start($name, $attributes, $selfClosing);
                break;
            case 'table':
                if ($this->inTableScope('table')) {
                    $this->popUntil('table');
                    $this->resetMode();
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            case 'style': case 'script': case 'template':
                $this->insertInHead($name, $attributes);
                break;
            case 'input':
                if (strtolower($attributes['type'] ?? '') === 'hidden') {
                    $this->insert('input', $attributes);
                    array_pop($this->open);
                } else {
                    $this->fostering(fn () => $this->startInBody($name, $attributes, $selfClosing));
                }
                break;
            case 'form':
                if ($this->form === null) {
                    $this->form = $this->insert('form', $attributes);
                    array_pop($this->open);
                }
                break;
            default:
                $this->fostering(fn () => $this->startInBody($name, $attributes, $selfClosing));
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInTableBody(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'tr') {
            $this->clearTo('tbody', 'tfoot', 'thead');
            $this->insert('tr', $attributes);
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
            $this->clearTo('tr');
            $this->insert($name, $attributes);
            $this->mode = 'in cell';
            $this->formatting[] = null;
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
            if ($this->inTableScope($name)) {
                $this->clearTo('tbody', 'tfoot', 'thead');
                array_pop($this->open);
                $this->mode = 'in table';
            }
        } elseif ($name === 'table') {
            if ($this->leaveTableBody()) {
                $this->end('table');
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tr'], true)) {
            $this->fostering(fn () => $this->endInBody($name));
        }
    }

    private function endInRow(string $name): void
    {
        if ($name === 'tr') {
            $this->leaveRow();
        } elseif ($name === 'table' || (in_array($name, ['tbody', 'tfoot', 'thead'], true) && $this->inTableScope($name))) {
            if ($this->leaveRow()) {
                $this->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tbody', 'tfoot', 'thead'], true)) {
            $this->fostering(fn () => $this->endInBody($name));
        }
    }

    private function endInCell(string $name): void
    {
        if ($name === 'td' || $name === 'th') {
            if ($this->inTableScope($name)) {
                $this->implied();
                $this->popUntil($name);
                $this->clearToMarker();
                $this->mode = 'in row';
            }
        } elseif (in_array($name, ['table', 'tbody', 'tfoot', 'thead', 'tr'], true)) {
            if ($this->inTableScope($name)) {
                $this->closeCell();
                $this->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html'], true)) {
            $this->endInBody($name);
        }
    }

    private function leaveTableBody(): bool
    {
        if (! $this->inTableScope('tbody') && ! $this->inTableScope('thead') && ! $this->inTableScope('tfoot')) {
            return false;
        }
        $this->clearTo('tbody', 'tfoot', 'thead');
        array_pop($this->open);
        $this->mode = 'in table';

        return true;
    }

    private function leaveRow(): bool
    {
        if (! $this->inTableScope('tr')) {
            return false;
        }
        $this->clearTo('tr');
        array_pop($this->open);
        $this->mode = 'in table body';

        return true;
    }

    private function closeCell(): void
    {
        $this->implied();
        while (($popped = array_pop($this->open)) !== null && ! $popped->is('td', 'th'));
        $this->clearToMarker();
        $this->mode = 'in row';
    }

    private function closeCaption(): bool
    {
        if (! $this->inTableScope('caption')) {
            return false;
        }
        $this->implied();
        $this->popUntil('caption');
        $this->clearToMarker();
        $this->mode = 'in table';

        return true;
    }

    /** 13.2.4.1, reset the insertion mode appropriately. */
    private function resetMode(): void
    {
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            $mode = match ($this->open[$i]->space === 'html' ? $this->open[$i]->tag : '') {
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

    /** @param  callable(): mixed  $work */
    private function fostering(callable $work): void
    {
        $this->fosters = true;
        $work();
        $this->fosters = false;
    }

    /**
     * 13.2.6.1, the appropriate place for inserting a node.
     *
     * @return array{TreeNode, ?TreeNode} the parent, and the child before which to insert
     */
    private function place(?TreeNode $target = null): array
    {
        $target ??= $this->current() ?? $this->root;
        if (! $this->fosters || ! $target->is('table', 'tbody', 'tfoot', 'thead', 'tr')) {
            return [$target, null];
        }
        for ($i = count($this->open) - 1; $i > 0; $i--) {
            if ($this->open[$i]->is('table')) {
                $table = $this->open[$i];

                return $table->parent === null ? [$this->open[$i - 1], null] : [$table->parent, $table];
            }
        }

        return [$this->open[0] ?? $this->root, null];
    }

    private function put(TreeNode $node, ?TreeNode $target = null): void
    {
        [$parent, $before] = $this->place($target);
        if ($before === null) {
            $parent->append($node);
        } else {
            $parent->insertBefore($node, $before);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function insert(string $name, array $attributes = []): TreeNode
    {
        $node = new TreeNode($name, $attributes);
        $this->put($node);
        $this->push($node);

        return $node;
    }

    private function push(TreeNode $node): void
    {
        if (count($this->open) >= self::DEEPEST) {
            array_pop($this->open);
        }
        $this->open[] = $node;
    }

    private function closeParagraph(): void
    {
        if ($this->inScope('p', ' button ')) {
            $this->implied('p');
            $this->popUntil('p');
        }
    }

    private function closeItem(string $name): void
    {
        $closes = $name === 'li' ? ['li'] : ['dd', 'dt'];
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            $node = $this->open[$i];
            if ($node->is(...$closes)) {
                $this->implied($node->tag);
                $this->popUntil($node->tag);

                return;
            }
            if ($this->isSpecial($node) && ! $node->is('address', 'div', 'p')) {
                return;
            }
        }
    }

    private function isSpecial(TreeNode $node): bool
    {
        return $node->space === 'html' ? str_contains(self::SPECIAL, " {$node->tag} ") : $this->isIntegrationPoint($node);
    }

    private function inScope(string $tag, string $more = ''): bool
    {
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            $node = $this->open[$i];
            if ($node->is($tag)) {
                return true;
            }
            $ends = $node->space === 'html'
                ? str_contains(self::SCOPE.$more, " {$node->tag} ")
                : in_array($node->tag, ['mi', 'mo', 'mn', 'ms', 'mtext', 'annotation-xml', 'foreignObject', 'desc', 'title'], true);
            if ($ends) {
                return false;
            }
        }

        return false;
    }

    private function inTableScope(string $tag): bool
    {
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            if ($this->open[$i]->is($tag)) {
                return true;
            }
            if ($this->open[$i]->is('html', 'table', 'template')) {
                return false;
            }
        }

        return false;
    }

    private function implied(string $except = ''): void
    {
        while (($node = $this->current()) !== null && $node->is(...self::IMPLIED) && $node->tag !== $except) {
            array_pop($this->open);
        }
    }

    private function popUntil(string $tag): void
    {
        while (($popped = array_pop($this->open)) !== null && ! $popped->is($tag));
    }

    private function clearTo(string ...$tags): void
    {
        while (($node = $this->current()) !== null && ! $node->is('html', ...$tags)) {
            array_pop($this->open);
        }
    }

    /** @return list<TreeNode> */
    private function sinceMarker(): array
    {
        $nodes = [];
        for ($i = count($this->formatting) - 1; $i >= 0 && $this->formatting[$i] !== null; $i--) {
            array_unshift($nodes, $this->formatting[$i]);
        }

        return $nodes;
    }

    private function clearToMarker(): void
    {
        while ($this->formatting !== [] && array_pop($this->formatting) !== null);
    }

    /** 13.2.4.3, with the Noah's Ark clause: no more than three alike. */
    private function pushFormatting(TreeNode $node): void
    {
        $alike = array_values(array_filter($this->sinceMarker(), static fn (TreeNode $n): bool => $n->tag === $node->tag && $n->attributes == $node->attributes));
        if (count($alike) >= 3) {
            $this->formatting = array_values(array_filter($this->formatting, static fn (?TreeNode $n): bool => $n !== $alike[0]));
        }
        $this->formatting[] = $node;
    }

    private function reconstruct(): void
    {
        $last = count($this->formatting) - 1;
        $from = $last;
        while ($from >= 0 && $this->formatting[$from] !== null && ! in_array($this->formatting[$from], $this->open, true)) {
            $from--;
        }
        for ($i = $from + 1; $i <= $last; $i++) {
            $entry = $this->formatting[$i];
            if ($entry !== null) {
                $this->formatting[$i] = $this->insert($entry->tag, $entry->attributes);
            }
        }
    }

    /** 13.2.6.4.7, the adoption agency algorithm. */
    private function agency(string $subject): void
    {
        $current = $this->current();
        if ($current !== null && $current->is($subject) && ! in_array($current, $this->formatting, true)) {
            array_pop($this->open);

            return;
        }
        for ($round = 0; $round < self::AGENCY_ROUNDS; $round++) {
            $element = null;
            foreach (array_reverse($this->sinceMarker()) as $node) {
                if ($node->is($subject)) {
                    $element = $node;
                    break;
                }
            }
            if ($element === null) {
                $this->endOther($subject);

                return;
            }
            $at = array_search($element, $this->open, true);
            if ($at === false || ! $this->inScope($subject)) {
                if ($at === false) {
                    $this->formatting = array_values(array_filter($this->formatting, static fn (?TreeNode $n): bool => $n !== $element));
                }

                return;
            }
            $furthest = null;
            for ($i = $at + 1; $i < count($this->open); $i++) {
                if ($this->isSpecial($this->open[$i])) {
                    $furthest = $i;
                    break;
                }
            }
            if ($furthest === null) {
                $this->open = array_slice($this->open, 0, $at);
                $this->formatting = array_values(array_filter($this->formatting, static fn (?TreeNode $n): bool => $n !== $element));

                return;
            }
            $this->adopt($element, $at, $furthest);
        }
    }

    private function adopt(TreeNode $element, int $at, int $furthest): void
    {
        $block = $this->open[$furthest];
        $ancestor = $this->open[$at - 1];
        $bookmark = (int) array_search($element, $this->formatting, true);
        $last = $block;
        $index = $furthest;
        $count = 0;
        while (true) {
            $count++;
            $index--;
            $node = $this->open[$index];
            if ($node === $element) {
                break;
            }
            $listed = array_search($node, $this->formatting, true);
            if ($count > 3 && $listed !== false) {
                array_splice($this->formatting, $listed, 1);
                $bookmark -= $listed < $bookmark ? 1 : 0;
                $listed = false;
            }
            if ($listed === false) {
                array_splice($this->open, $index, 1);

                continue;
            }
            $copy = new TreeNode($node->tag, $node->attributes);
            $this->formatting[$listed] = $copy;
            array_splice($this->open, $index, 1, [$copy]);
            if ($last === $block) {
                $bookmark = $listed + 1;
            }
            $copy->append($last);
            $last = $copy;
        }
        $this->fosters = $ancestor->is('table', 'tbody', 'tfoot', 'thead', 'tr');
        $last->detach();
        $this->put($last, $ancestor);
        $this->fosters = false;
        $copy = new TreeNode($element->tag, $element->attributes);
        foreach ($block->children as $child) {
            if ($child instanceof TreeNode) {
                $child->parent = $copy;
            }
        }
        $copy->children = $block->children;
        $block->children = [];
        $block->append($copy);
        $old = (int) array_search($element, $this->formatting, true);
        array_splice($this->formatting, $old, 1);
        array_splice($this->formatting, $old < $bookmark ? $bookmark - 1 : $bookmark, 0, [$copy]);
        $this->open = array_values(array_filter($this->open, static fn (TreeNode $n): bool => $n !== $element));
        array_splice($this->open, (int) array_search($block, $this->open, true) + 1, 0, [$copy]);
    }

    private function isIntegrationPoint(TreeNode $node): bool
    {
        return match (true) {
            $node->space === 'svg' => in_array($node->tag, ['foreignObject', 'desc', 'title'], true),
            $node->tag === 'annotation-xml' => in_array(strtolower($node->attributes['encoding'] ?? ''), ['text/html', 'application/xhtml+xml'], true),
            default => in_array($node->tag, ['mi', 'mo', 'mn', 'ms', 'mtext'], true),
        };
    }

    /** Whether a start tag in a foreign element is read by the rules for HTML: 13.2.6, tree construction dispatcher. */
    private function takesHtml(TreeNode $current, string $name): bool
    {
        if ($current->space === 'svg') {
            return $this->isIntegrationPoint($current);
        }
        if ($current->tag === 'annotation-xml') {
            return $name === 'svg' || $this->isIntegrationPoint($current);
        }

        return $this->isIntegrationPoint($current) && $name !== 'mglyph' && $name !== 'malignmark';
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
        $this->insertForeign($name, $attributes, $this->current()->space ?? 'svg', $selfClosing);

        return 0;
    }

    /** 13.2.6.5: up to what may hold HTML. */
    private function leaveForeign(): void
    {
        while (($node = $this->current()) !== null && $node->space !== 'html' && ! $this->isIntegrationPoint($node)) {
            array_pop($this->open);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function insertForeign(string $name, array $attributes, string $space, bool $selfClosing): void
    {
        $node = new TreeNode($space === 'svg' ? ($this->svgCase[$name] ?? $name) : $name, $attributes, $space);
        $this->put($node);
        if (! $selfClosing) {
            $this->push($node);
        }
    }

    /** Whether the end tag was that of a foreign element. */
    private function endForeign(string $name): bool
    {
        for ($i = count($this->open) - 1; $i > 0; $i--) {
            $node = $this->open[$i];
            if ($node->space === 'html') {
                return false;
            }
            if (strtolower($node->tag) === $name) {
                $this->open = array_slice($this->open, 0, $i);

                return true;
            }
        }

        return true;
    }
}
