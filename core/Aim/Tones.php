<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;

/**
 * The tones of a site's sections: a tone is the class in which sections that are alike in all others differ.
 */
final class Tones
{
    /** So many letters two tones of a family share. */
    private const LIKENESS = 3;

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly array $pages, private readonly LifetimeJudge $judge)
    {
    }

    /** @return list<string> the tone of the section that an element is in, and then those that stand in its place elsewhere; none where it is in none */
    public function around(Page $page, int $element): array
    {
        foreach (array_slice($page->line($element), 2, -1) as $ancestor) {
            foreach ($page->classes[$ancestor] as $tone) {
                $same = array_values(array_diff($page->classes[$ancestor], [$tone]));
                $others = $same === [] ? [] : $this->beside($page->tags[$ancestor], $same, $tone);
                if (count($others) > 1) {
                    return [$tone, ...$others];
                }
            }
        }

        return [];
    }

    /**
     * @param  non-empty-list<string>  $same
     * @return list<string> classes that stand in the place of one on elements that are alike otherwise
     */
    private function beside(string $tag, array $same, string $tone): array
    {
        $found = [];
        foreach ($this->pages as $page) {
            foreach ($page->byClass[$same[0]] ?? [] as $element) {
                $other = array_values(array_diff($page->classes[$element], $same));
                $isAlike = $page->tags[$element] === $tag && count($other) === 1 && count($page->classes[$element]) === count($same) + 1;
                if ($isAlike && $other[0] !== $tone && $this->judge->judge($other[0]) !== Lifetime::State && similar_text($other[0], $tone) >= self::LIKENESS) {
                    $found[$other[0]] = true;
                }
            }
        }

        return array_map(strval(...), array_keys($found));
    }
}
