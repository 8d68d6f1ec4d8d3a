<?php

declare(strict_types=1);

namespace Insignum\Page;

/**
 * The state of tree construction, and the way from each token to the rules of its insertion mode: HTML 13.2.4 and 13.2.6.
 */
final class Construction
{
    public readonly TreeNode $root;

    public readonly OpenTree $tree;

    public readonly HeadModes $inHead;

    public readonly BodyMode $inBody;

    public readonly TableModes $inTable;

    public readonly ForeignContent $foreign;

    public InsertionMode $mode = InsertionMode::Initial;

    public ?TreeNode $head = null;

    public ?TreeNode $form = null;

    /** How many templates are open: what is in them is read past. */
    public int $templates = 0;

    /** Whether a line feed that comes next is none. */
    public bool $skipsLineFeed = false;

    /** Where raw text leads back to. */
    private InsertionMode $returnMode = InsertionMode::InBody;

    public function __construct(public readonly bool $quirks)
    {
        $this->root = new TreeNode('html');
        $this->tree = new OpenTree($this->root);
        $this->inHead = new HeadModes($this);
        $this->inBody = new BodyMode($this);
        $this->inTable = new TableModes($this);
        $this->foreign = new ForeignContent($this);
    }

    /** @param  array<string, string>  $attributes */
    public function start(string $name, array $attributes = [], bool $selfClosing = false): void
    {
        switch ($this->mode) {
            case InsertionMode::InBody:
                $this->inBody->start($name, $attributes, $selfClosing);
                break;
            case InsertionMode::Text:
                $this->mode = $this->returnMode;
                $this->start($name, $attributes, $selfClosing);
                break;
            case InsertionMode::AfterBody:
                if ($name === 'html') {
                    $this->merge($this->root, $attributes);
                } else {
                    $this->mode = InsertionMode::InBody;
                    $this->start($name, $attributes, $selfClosing);
                }
                break;
            default:
                $this->isBeforeBody() ? $this->inHead->start($name, $attributes, $selfClosing) : $this->inTable->start($name, $attributes, $selfClosing);
        }
    }

    public function end(string $name): void
    {
        switch ($this->mode) {
            case InsertionMode::InBody:
                $this->inBody->end($name);
                break;
            case InsertionMode::Text:
                $this->endText();
                break;
            case InsertionMode::AfterBody:
                if ($name !== 'html' && $name !== 'body') {
                    $this->mode = InsertionMode::InBody;
                    $this->end($name);
                }
                break;
            default:
                $this->isBeforeBody() ? $this->inHead->end($name) : $this->inTable->end($name);
        }
    }

    public function characters(string $text): void
    {
        switch ($this->mode) {
            case InsertionMode::InBody:
                $this->inBody->text($text);
                break;
            case InsertionMode::Text:
                $this->tree->current()?->text($text);
                break;
            case InsertionMode::AfterBody:
                if (trim($text, TreeBuilder::SPACE) !== '') {
                    $this->mode = InsertionMode::InBody;
                }
                $this->inBody->text($text);
                break;
            default:
                $this->isBeforeBody() ? $this->inHead->characters($text) : $this->inTable->characters($text);
        }
    }

    /** At the end of the file raw text ends too, and there is a body: 13.2.6.4.8. */
    public function finish(): void
    {
        if ($this->mode === InsertionMode::Text) {
            $this->endText();
        }
        if ($this->isBeforeBody()) {
            $this->start('body');
        }
    }

    /** What follows is raw, up to the end tag. */
    public function toText(): void
    {
        $this->returnMode = $this->mode === InsertionMode::Text ? $this->returnMode : $this->mode;
        $this->mode = InsertionMode::Text;
    }

    private function endText(): void
    {
        $this->tree->pop();
        $this->mode = $this->returnMode;
    }

    private function isBeforeBody(): bool
    {
        return in_array($this->mode, [InsertionMode::Initial, InsertionMode::BeforeHtml, InsertionMode::BeforeHead, InsertionMode::InHead, InsertionMode::InHeadNoscript, InsertionMode::AfterHead], true);
    }

    /** @param  array<string, string>  $attributes those that the element has none of the name of are taken */
    public function merge(TreeNode $node, array $attributes): void
    {
        $node->attributes += $attributes;
    }
}
