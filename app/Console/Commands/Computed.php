<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\LocalSite;
use Illuminate\Console\Command;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Style\Condition;

/** Computed values of every element of pages below a root, as JSON. */
final class Computed extends Command
{
    protected $signature = 'insignum:computed {page* : paths below the root} {--root= : the directory that the site lies in} {--width=1280} {--height=800} {--sheet= : a stylesheet that comes after all others}';

    protected $description = 'Prints the computed values of every element as JSON';

    public function handle(): int
    {
        try {
            $site = LocalSite::open((string) $this->option('root'));
            $condition = new Condition((int) $this->option('width'), (int) $this->option('height'));
            $overlay = $this->option('sheet') === null ? null : new Overlay($site->library->compile($site->outside((string) $this->option('sheet')), Survey::SHEET_PATH));
            $out = [];
            foreach ((array) $this->argument('page') as $path) {
                $page = $site->page((string) $path, $condition);
                $styles = $overlay === null ? $page->theme() : $overlay->on($page->theme());
                foreach ($styles->set->missing as $address) {
                    $this->getErrorStyle()->writeln("$path: $address is not below the root and was left out.");
                }
                $out[$path] = array_map(static fn (int $e): array => [$page->page->path($e), $page->page->tags[$e], $styles->styles[$e]->tracked()], array_keys($page->page->tags));
            }
        } catch (\InvalidArgumentException $error) {
            $this->getErrorStyle()->writeln($error->getMessage());

            return 2;
        }
        $this->output->write(json_encode($out, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), false, \Symfony\Component\Console\Output\OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }

    private function getErrorStyle(): \Symfony\Component\Console\Output\OutputInterface
    {
        return $this->output->getErrorStyle();
    }
}
