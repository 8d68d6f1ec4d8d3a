<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** All that one element can be told by: its own parts, its place, and the parts of what stands around it; each by text. */
final readonly class Features
{
    /** Tags that say nothing as surroundings, as nearly everything is in one. */
    private const EVERYWHERE = ['div', 'span', 'body', 'html', 'tbody'];

    /**
     * @param  array<string, Part>  $own
     * @param  array<string, Part>  $places
     * @param  array<string, Part>  $above  the outermost first
     * @param  array<string, Part>  $parent  of the parent, and as `grandparent > parent`
     * @param  array<string, Part>  $before  of the sibling right before it
     */
    private function __construct(public array $own, public array $places, public array $above, public array $parent, public array $before)
    {
    }

    /** @param  bool  $byPosition  whether what stands around may be told by its position too */
    public static function of(Census $census, Parts $parts, string $path, int $element, bool $byPosition): self
    {
        $page = $census->pages[$path];
        $around = static function (int $e) use ($parts, $path, $byPosition): array {
            $own = array_diff_key($parts->of($path, $e), array_flip(self::EVERYWHERE));

            return $byPosition ? [...$own, ...$parts->placed($path, $e)] : $own;
        };
        $above = [];
        foreach (array_slice($page->line($element), 1, -1) as $ancestor) {
            $above += $around($ancestor);
        }
        $up = $page->parents[$element];
        $parent = $up > 0 ? $around($up) : [];
        $tag = $up > 0 ? $parts->tag($page->tags[$up]) : null;
        if ($tag !== null && $page->parents[$up] > 0) {
            foreach ($around($page->parents[$up]) as $part) {
                $text = "{$part->text} > {$tag->text}";
                $parent[$text] = new Part($text, static fn (): string => $tag->set() & $census->childrenOf($part->text, $part->set()), $part->cost + 2.0, $part->reason);
            }
        }
        $at = $page->positions[$element] - 1;

        return new self(
            $parts->of($path, $element),
            $parts->positions($path, $element),
            $above,
            $parent,
            $at < 0 || $up < 0 ? [] : $parts->of($path, $page->children[$up][$at]),
        );
    }
}
