<?php

declare(strict_types=1);

namespace Insignum\Page;

/** All before the body, HTML 13.2.6.4.1 to 13.2.6.4.6. */
final class HeadModes
{
    private readonly OpenTree $tree;

    public function __construct(private readonly Construction $page)
    {
        $this->tree = $page->tree;
    }

    /** @param  array<string, string>  $attributes */
    public function start(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($this->page->mode) {
            case InsertionMode::Initial:
            case InsertionMode::BeforeHtml:
                $this->openRoot($name === 'html' ? $attributes : []);
                if ($name !== 'html') {
                    $this->page->start($name, $attributes, $selfClosing);
                }
                break;
            case InsertionMode::BeforeHead:
                if ($name === 'html') {
                    $this->page->merge($this->page->root, $attributes);
                } elseif ($name === 'head') {
                    $this->page->head = $this->tree->insert('head', $attributes);
                    $this->page->mode = InsertionMode::InHead;
                } else {
                    $this->page->head = $this->tree->insert('head');
                    $this->page->mode = InsertionMode::InHead;
                    $this->page->start($name, $attributes, $selfClosing);
                }
                break;
            case InsertionMode::InHead:
                $this->startInHead($name, $attributes, $selfClosing);
                break;
            case InsertionMode::InHeadNoscript:
                if (in_array($name, ['basefont', 'bgsound', 'link', 'meta', 'noframes', 'style'], true)) {
                    $this->insert($name, $attributes);
                } elseif ($name !== 'head' && $name !== 'noscript') {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::InHead;
                    $this->page->start($name, $attributes, $selfClosing);
                }
                break;
            default:
                $this->startAfterHead($name, $attributes, $selfClosing);
        }
    }

    public function end(string $name): void
    {
        switch ($this->page->mode) {
            case InsertionMode::Initial:
            case InsertionMode::BeforeHtml:
                if (in_array($name, ['head', 'body', 'html', 'br'], true)) {
                    $this->openRoot([]);
                    $this->page->end($name);
                }
                break;
            case InsertionMode::BeforeHead:
                if (in_array($name, ['head', 'body', 'html', 'br'], true)) {
                    $this->page->start('head');
                    $this->page->end($name);
                }
                break;
            case InsertionMode::AfterHead:
                if (in_array($name, ['body', 'html', 'br'], true)) {
                    $this->page->start('body');
                    $this->page->end($name);
                }
                break;
            case InsertionMode::InHead:
                if ($name === 'head') {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::AfterHead;
                } elseif (in_array($name, ['body', 'html', 'br'], true)) {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::AfterHead;
                    $this->page->end($name);
                }
                break;
            default:
                if ($name === 'noscript' || $name === 'br') {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::InHead;
                    if ($name === 'br') {
                        $this->page->end($name);
                    }
                }
        }
    }

    public function characters(string $text): void
    {
        if (in_array($this->page->mode, [InsertionMode::Initial, InsertionMode::BeforeHtml, InsertionMode::BeforeHead], true)) {
            $text = ltrim($text, TreeBuilder::SPACE);
            if ($text !== '') {
                $this->page->start('body');
                $this->page->characters($text);
            }

            return;
        }
        $rest = ltrim($text, TreeBuilder::SPACE);
        if ($rest !== $text) {
            $this->tree->current()?->text(substr($text, 0, strlen($text) - strlen($rest)));
        }
        if ($rest !== '') {
            if ($this->page->mode !== InsertionMode::AfterHead) {
                $this->page->mode === InsertionMode::InHeadNoscript && $this->tree->pop();
                $this->tree->pop();
                $this->page->mode = InsertionMode::AfterHead;
            }
            $this->page->start('body');
            $this->page->characters($rest);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function openRoot(array $attributes): void
    {
        $this->page->root->attributes = $attributes;
        $this->tree->push($this->page->root);
        $this->page->mode = InsertionMode::BeforeHead;
    }

    /** @param  array<string, string>  $attributes */
    private function startInHead(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html') {
            $this->page->merge($this->page->root, $attributes);
        } elseif ($name === 'noscript') {
            $this->tree->insert('noscript', $attributes);
            $this->page->mode = InsertionMode::InHeadNoscript;
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'title', 'noframes', 'style', 'script', 'template'], true)) {
            $this->insert($name, $attributes);
        } elseif ($name !== 'head') {
            $this->tree->pop();
            $this->page->mode = InsertionMode::AfterHead;
            $this->page->start($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    public function insert(string $name, array $attributes): void
    {
        $this->tree->insert($name, $attributes);
        if ($name === 'template') {
            $this->tree->pop();
            $this->page->templates = 1;
        } elseif (TreeBuilder::textMode($name) === 0) {
            $this->tree->pop();
        } else {
            $this->page->toText();
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startAfterHead(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'html') {
            $this->page->merge($this->page->root, $attributes);
        } elseif ($name === 'body') {
            $this->tree->insert('body', $attributes);
            $this->page->mode = InsertionMode::InBody;
        } elseif (in_array($name, ['base', 'basefont', 'bgsound', 'link', 'meta', 'noframes', 'script', 'style', 'template', 'title'], true) && $this->page->head !== null) {
            $head = $this->page->head;
            $this->tree->push($head);
            $this->insert($name, $attributes);
            $this->tree->forget($head);
        } elseif ($name !== 'head') {
            $this->tree->insert('body');
            $this->page->mode = InsertionMode::InBody;
            $this->page->start($name, $attributes, $selfClosing);
        }
    }
}
