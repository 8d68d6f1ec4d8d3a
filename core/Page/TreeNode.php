<?php

declare(strict_types=1);

namespace Insignum\Page;

/** An element while the tree is being built. Foreign ones (SVG, MathML) say so in `space`. */
final class TreeNode
{
    /** @var list<TreeNode|string> */
    public array $children = [];

    public ?TreeNode $parent = null;

    /** @param  array<string, string>  $attributes */
    public function __construct(public readonly string $tag, public array $attributes = [], public readonly string $space = 'html')
    {
    }

    public function is(string ...$tags): bool
    {
        return $this->space === 'html' && in_array($this->tag, $tags, true);
    }

    public function append(TreeNode $child): void
    {
        $child->detach();
        $this->children[] = $child;
        $child->parent = $this;
    }

    public function insertBefore(TreeNode|string $child, TreeNode $reference): void
    {
        if ($child instanceof TreeNode) {
            $child->detach();
            $child->parent = $this;
        }
        $at = array_search($reference, $this->children, true);
        array_splice($this->children, $at === false ? count($this->children) : $at, 0, [$child]);
    }

    public function text(string $text): void
    {
        $this->children[] = $text;
    }

    public function detach(): void
    {
        if ($this->parent !== null) {
            $this->parent->children = array_values(array_filter($this->parent->children, fn (TreeNode|string $c): bool => $c !== $this));
            $this->parent = null;
        }
    }
}
