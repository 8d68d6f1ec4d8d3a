<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\JsonCommand;
use App\Support\LocalSite;
use Insignum\Aim\Aimer;
use Insignum\Aim\Census;
use Insignum\Aim\Fit;
use Insignum\Page\Page;
use Insignum\Style\Condition;

/** Selectors that take the elements meant and leave alone those to keep, on pages below a root, as JSON. */
final class Aim extends JsonCommand
{
    protected $signature = 'insignum:aim {page* : paths below the root} {--root= : the directory that the site lies in} {--mean=* : an element that is meant, as PAGE#PATH} {--keep=* : an element to leave alone, as PAGE#PATH}';

    protected $description = 'Prints selectors that fit examples as JSON, the best first';

    /** @throws \InvalidArgumentException */
    protected function answer(): int
    {
        $site = LocalSite::open((string) $this->option('root'));
        $pages = [];
        foreach ((array) $this->argument('page') as $path) {
            $pages[(string) $path] = $site->page((string) $path, new Condition)->page;
        }
        $aimed = (new Aimer(new Census($pages)))->of($this->marks('mean', $pages), $this->marks('keep', $pages));
        if ($aimed->confusion !== null) {
            $this->notice($aimed->confusion);
        }
        $this->json(['candidates' => array_map(static fn (Fit $fit): array => [
            'selector' => $fit->selector,
            'specificity' => $fit->specificity->toList(),
            'reach' => (object) array_map(count(...), $fit->reach),
            'exact' => $fit->isExact(),
            'reasons' => $fit->reasons,
        ], $aimed->fits)]);

        return self::SUCCESS;
    }

    /**
     * @param  array<string, Page>  $pages
     * @return array<string, list<int>> elements by page
     *
     * @throws \InvalidArgumentException
     */
    private function marks(string $option, array $pages): array
    {
        $marks = [];
        foreach ((array) $this->option($option) as $mark) {
            $cut = strrpos((string) $mark, '#');
            [$path, $place] = $cut === false ? [(string) $mark, ''] : [substr((string) $mark, 0, $cut), substr((string) $mark, $cut + 1)];
            $element = ($pages[$path] ?? throw new \InvalidArgumentException("--$option: “{$path}” is none of the pages given."))->at($place);
            if ($element === null) {
                throw new \InvalidArgumentException("--$option: there is no element at “{$place}” on “{$path}”.");
            }
            if (! in_array($element, $marks[$path] ?? [], true)) {
                $marks[$path][] = $element;
            }
        }

        return $marks;
    }
}
