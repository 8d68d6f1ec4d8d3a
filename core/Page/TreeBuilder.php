<?php

declare(strict_types=1);

namespace Insignum\Page;

use Masterminds\HTML5\Elements;
use Masterminds\HTML5\Parser\EventHandler;

/**
 * Tree construction as browsers do it: HTML Living Standard, section 13.2.6, scripting off. It takes the tokens of
 * masterminds/html5 and leads each to HTML or to foreign content; what to do with it there, the insertion modes know.
 *
 * Left out: frames, and what is inside `template`, which no selector of the page reaches.
 */
final class TreeBuilder implements EventHandler
{
    /** White space in HTML. */
    public const SPACE = " \t\n\f\r";

    private readonly Construction $page;

    public function __construct(bool $quirks)
    {
        $this->page = new Construction($quirks);
    }

    public function root(): TreeNode
    {
        return $this->page->root;
    }

    public function doctype($name, $idType = 0, $id = null, $quirks = false): void
    {
        if ($this->page->mode === InsertionMode::Initial) {
            $this->page->mode = InsertionMode::BeforeHtml;
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
        $this->page->skipsLineFeed = false;
        $clean = [];
        foreach ($attributes as $key => $value) {
            $clean[(string) $key] = (string) $value;
        }
        if ($this->page->templates > 0) {
            $this->page->templates += $name === 'template' ? 1 : 0;

            return self::textMode($name);
        }
        $current = $this->page->tree->current();
        if ($current !== null && $current->space !== 'html' && ! $this->page->foreign->takesHtml($current, $name)) {
            $this->page->foreign->start($name, $clean, $selfClosing);

            return 0;
        }
        $this->page->start($name, $clean, $selfClosing);
        $now = $this->page->tree->current();

        return $now !== null && $now->tag === $name && $now->space === 'html' ? self::textMode($name) : 0;
    }

    /** @param  string  $name */
    public function endTag($name): void
    {
        $this->page->skipsLineFeed = false;
        if ($this->page->templates > 0) {
            $this->page->templates -= $name === 'template' ? 1 : 0;

            return;
        }
        $current = $this->page->tree->current();
        if ($current !== null && $current->space !== 'html') {
            if ($name === 'p' || $name === 'br') {
                $this->page->foreign->leave();
            } elseif ($this->page->foreign->end($name)) {
                return;
            }
        }
        $this->page->end($name);
    }

    /** @param  string  $cdata */
    public function text($cdata): void
    {
        $text = str_replace("\0", '', (string) $cdata);
        if ($this->page->skipsLineFeed) {
            $text = preg_replace('/\A\n/', '', $text) ?? $text;
            $this->page->skipsLineFeed = false;
        }
        if ($text === '' || $this->page->templates > 0) {
            return;
        }
        $current = $this->page->tree->current();
        if ($current !== null && $current->space !== 'html') {
            $current->text($text);

            return;
        }
        $this->page->characters($text);
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
        $this->page->finish();
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

    /** How the tokenizer reads on in an element: as text with references, as raw text, or as markup. */
    public static function textMode(string $name): int
    {
        return match ($name) {
            'title', 'textarea' => Elements::TEXT_RCDATA,
            'style', 'xmp', 'iframe', 'noembed', 'noframes', 'script', 'plaintext' => Elements::TEXT_RAW,
            default => 0,
        };
    }
}
