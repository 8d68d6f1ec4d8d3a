<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\JsonCommand;
use App\Support\LocalSite;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Style\Condition;

/** Computed values of every element of pages below a root, as JSON. */
final class Computed extends JsonCommand
{
    protected $signature = 'insignum:computed {page* : paths below the root} {--root= : the directory that the site lies in} {--width=1280} {--height=800} {--sheet= : a stylesheet that comes after all others}';

    protected $description = 'Prints the computed values of every element as JSON';

    /** @throws \InvalidArgumentException */
    protected function answer(): int
    {
        $site = LocalSite::open((string) $this->option('root'));
        $condition = new Condition((int) $this->option('width'), (int) $this->option('height'));
        $overlay = $this->option('sheet') === null ? null : new Overlay($site->library->compile(LocalSite::read((string) $this->option('sheet')), Survey::SHEET_PATH));
        $out = [];
        foreach ((array) $this->argument('page') as $path) {
            $page = $site->page((string) $path, $condition);
            $styles = $overlay === null ? $page->theme() : $overlay->on($page->theme());
            foreach ($styles->set->missing as $address) {
                $this->notice("$path: $address is not below the root and was left out.");
            }
            $out[$path] = array_map(static fn (int $e): array => [$page->page->path($e), $page->page->tags[$e], $styles->tracked($e)], array_keys($page->page->tags));
        }
        $this->json($out);

        return self::SUCCESS;
    }
}
