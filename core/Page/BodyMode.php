<?php

declare(strict_types=1);

namespace Insignum\Page;

/** In the body, HTML 13.2.6.4.7. */
final class BodyMode
{
    private const FORMATTING = ' a b big code em font i nobr s small strike strong tt u ';

    private const VOID = ' area base br col embed hr img input link meta param source track wbr basefont bgsound frame keygen ';

    private const BLOCKS = ' address article aside blockquote center details dialog dir div dl fieldset figcaption figure footer header hgroup main menu nav ol p search section summary ul ';

    private readonly OpenTree $tree;

    public function __construct(private readonly Construction $page)
    {
        $this->tree = $page->tree;
    }

    /** @param  array<string, string>  $attributes */
    public function start(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html' || $name === 'body') {
            $this->page->merge($name === 'html' ? $this->page->root : ($this->tree->open[1] ?? $this->page->root), $attributes);

            return;
        }
        if (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'noframes', 'script', 'style', 'template', 'title'], true)) {
            $this->page->inHead->insert($name, $attributes);

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
            $this->page->skipsLineFeed = true;
        } elseif ($name === 'form') {
            if ($this->page->form === null) {
                $this->tree->closeParagraph();
                $this->page->form = $this->tree->insert('form', $attributes);
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
            $this->page->toText();
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
                if (! $this->page->quirks) {
                    $this->tree->closeParagraph();
                }
                $this->tree->insert('table', $attributes);
                $this->page->mode = InsertionMode::InTable;
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
                $this->page->skipsLineFeed = $name === 'textarea';
                $this->page->toText();
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
                $this->page->foreign->insert($name, $attributes, $name, $selfClosing);
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

    public function end(string $name): void
    {
        if ($name === 'body' || $name === 'html') {
            if ($this->tree->inScope('body')) {
                $this->page->mode = InsertionMode::AfterBody;
            }
        } elseif (str_contains(self::BLOCKS, " $name ") && $name !== 'p' || in_array($name, ['button', 'listing', 'pre', 'select'], true)) {
            if ($this->tree->inScope($name)) {
                $this->tree->implied();
                $this->tree->popUntil($name);
            }
        } elseif ($name === 'form') {
            $form = $this->page->form;
            $this->page->form = null;
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

    public function text(string $text): void
    {
        $this->tree->reconstruct();
        [$parent, $before] = $this->tree->place();
        if ($before === null) {
            $parent->text($text);
        } else {
            $parent->insertBefore($text, $before);
        }
    }
}
