<?php

declare(strict_types=1);

namespace Insignum\Page;

/**
 * The tree while it is built, HTML 13.2: the stack of open elements (13.2.4.2), the list of active formatting elements
 * (13.2.4.3), where nodes are put (13.2.6.1), and how misnested formatting is mended (13.2.6.4.7).
 */
final class OpenTree
{
    private const SPECIAL = ' address applet area article aside base basefont bgsound blockquote body br button caption center col colgroup dd details dir div dl dt embed fieldset figcaption figure footer form frame frameset h1 h2 h3 h4 h5 h6 head header hgroup hr html iframe img input keygen li link listing main marquee menu meta nav noembed noframes noscript object ol p param plaintext pre script section select source style summary table tbody td template textarea tfoot th thead title tr track ul wbr xmp ';

    private const SCOPE = ' applet caption html table td th marquee object template select ';

    private const IMPLIED = ['dd', 'dt', 'li', 'optgroup', 'option', 'p', 'rb', 'rp', 'rt', 'rtc'];

    /** The stack of open elements is cut here, as browsers cut it. */
    private const DEEPEST = 512;

    /** The adoption agency's outer loop, and as many entries of the active formatting elements as are looked at. */
    private const AGENCY_ROUNDS = 8;

    /** @var list<TreeNode> */
    public array $open = [];

    /** @var list<?TreeNode> null is a marker */
    private array $formatting = [];

    private bool $fosters = false;

    public function __construct(private readonly TreeNode $root)
    {
    }

    public function current(): ?TreeNode
    {
        return $this->open === [] ? null : $this->open[count($this->open) - 1];
    }

    /** @param  callable(): mixed  $work */
    public function fostering(callable $work): void
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
    public function place(?TreeNode $target = null): array
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

    public function put(TreeNode $node, ?TreeNode $target = null): void
    {
        [$parent, $before] = $this->place($target);
        if ($before === null) {
            $parent->append($node);
        } else {
            $parent->insertBefore($node, $before);
        }
    }

    /** @param  array<string, string>  $attributes */
    public function insert(string $name, array $attributes = []): TreeNode
    {
        $node = new TreeNode($name, $attributes);
        $this->put($node);
        $this->push($node);

        return $node;
    }

    public function push(TreeNode $node): void
    {
        if (count($this->open) >= self::DEEPEST) {
            array_pop($this->open);
        }
        $this->open[] = $node;
    }

    public function closeParagraph(): void
    {
        if ($this->inScope('p', ' button ')) {
            $this->implied('p');
            $this->popUntil('p');
        }
    }

    public function closeItem(string $name): void
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

    public function inScope(string $tag, string $more = ''): bool
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

    public function inTableScope(string $tag): bool
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

    public function implied(string $except = ''): void
    {
        while (($node = $this->current()) !== null && $node->is(...self::IMPLIED) && $node->tag !== $except) {
            array_pop($this->open);
        }
    }

    public function popUntil(string $tag): void
    {
        while (($popped = array_pop($this->open)) !== null && ! $popped->is($tag));
    }

    public function clearTo(string ...$tags): void
    {
        while (($node = $this->current()) !== null && ! $node->is('html', ...$tags)) {
            array_pop($this->open);
        }
    }

    /** @return list<TreeNode> */
    public function sinceMarker(): array
    {
        $nodes = [];
        for ($i = count($this->formatting) - 1; $i >= 0 && $this->formatting[$i] !== null; $i--) {
            array_unshift($nodes, $this->formatting[$i]);
        }

        return $nodes;
    }

    public function clearToMarker(): void
    {
        while ($this->formatting !== [] && array_pop($this->formatting) !== null);
    }

    /** 13.2.4.3, with the Noah's Ark clause: no more than three alike. */
    public function pushFormatting(TreeNode $node): void
    {
        $alike = array_values(array_filter($this->sinceMarker(), static fn (TreeNode $n): bool => $n->tag === $node->tag && $n->attributes == $node->attributes));
        if (count($alike) >= 3) {
            $this->forgetFormatting($alike[0]);
        }
        $this->formatting[] = $node;
    }

    public function reconstruct(): void
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
    public function agency(string $subject): void
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
                    $this->forgetFormatting($element);
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
                $this->cut($at);
                $this->forgetFormatting($element);

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
        $this->forget($element);
        array_splice($this->open, (int) array_search($block, $this->open, true) + 1, 0, [$copy]);
    }

    public function isIntegrationPoint(TreeNode $node): bool
    {
        return match (true) {
            $node->space === 'svg' => in_array($node->tag, ['foreignObject', 'desc', 'title'], true),
            $node->tag === 'annotation-xml' => in_array(strtolower($node->attributes['encoding'] ?? ''), ['text/html', 'application/xhtml+xml'], true),
            default => in_array($node->tag, ['mi', 'mo', 'mn', 'ms', 'mtext'], true),
        };
    }

    public function endOther(string $name): void
    {
        for ($i = count($this->open) - 1; $i >= 0; $i--) {
            $node = $this->open[$i];
            if ($node->is($name)) {
                $this->implied($name);
                $this->cut($i);

                return;
            }
            if ($this->isSpecial($node)) {
                return;
            }
        }
    }

    public function pop(): ?TreeNode
    {
        return array_pop($this->open);
    }

    /** Back to so many open elements. */
    public function cut(int $count): void
    {
        $this->open = array_slice($this->open, 0, $count);
    }

    public function forget(TreeNode $node): void
    {
        $this->open = array_values(array_filter($this->open, static fn (TreeNode $n): bool => $n !== $node));
    }

    public function forgetFormatting(TreeNode $node): void
    {
        $this->formatting = array_values(array_filter($this->formatting, static fn (?TreeNode $n): bool => $n !== $node));
    }

    /** A marker: formatting does not reach past it. */
    public function mark(): void
    {
        $this->formatting[] = null;
    }
}
