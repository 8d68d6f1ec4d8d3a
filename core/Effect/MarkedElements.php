<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Page\Fingerprint;
use Insignum\Sheet\Mark;

/** The elements that an override's marks stand for on the pages as they are now, and the marks that have none any more. */
final readonly class MarkedElements
{
    /**
     * @param  array<string, list<int>>  $meant  by page, as the others
     * @param  array<string, list<int>>  $kept
     * @param  array<string, list<int>>  $accepted
     * @param  list<Mark>  $lost
     */
    public function __construct(public array $meant = [], public array $kept = [], public array $accepted = [], public array $lost = [])
    {
    }

    /**
     * @param  list<SitePage>  $pages
     * @param  list<Mark>  $marks
     */
    public static function of(array $pages, array $marks): self
    {
        if ($marks === []) {
            return new self;
        }
        $byPath = [];
        foreach ($pages as $site) {
            $byPath[$site->path] = $site->page;
        }
        $found = ['meant' => [], 'kept' => [], 'accepted' => []];
        $lost = [];
        foreach ($marks as $mark) {
            $element = isset($byPath[$mark->page]) ? Fingerprint::find($byPath[$mark->page], $mark->path, $mark->print) : null;
            if ($element === null) {
                $lost[] = $mark;
            } elseif (! in_array($element, $found[$mark->kind][$mark->page] ?? [], true)) {
                $found[$mark->kind][$mark->page][] = $element;
            }
        }

        return new self($found['meant'], $found['kept'], $found['accepted'], $lost);
    }

    /**
     * @param  list<int>  $reached  by the selector that says what is meant
     * @return array<int, true> all on a page whose change is meant
     */
    public function intended(string $page, array $reached): array
    {
        return array_diff_key(array_fill_keys($reached, true) + array_fill_keys($this->meant[$page] ?? [], true), array_fill_keys($this->kept[$page] ?? [], true));
    }

    public function isAccepted(string $page, int $element): bool
    {
        return in_array($element, $this->accepted[$page] ?? [], true);
    }

    public function isKept(string $page, int $element): bool
    {
        return in_array($element, $this->kept[$page] ?? [], true);
    }
}
