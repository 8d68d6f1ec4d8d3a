<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\JsonCommand;
use App\Support\LocalSite;
use Insignum\Effect\Change;
use Insignum\Effect\EffectFinder;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Style\Condition;
use Insignum\Style\PageStyles;
use Insignum\Style\PropertyTable;

/** Everything that a sheet changes on pages below a root, as JSON. */
final class Effect extends JsonCommand
{
    protected $signature = 'insignum:effect {page* : paths below the root} {--root= : the directory that the site lies in} {--width=1280} {--height=800} {--sheet= : the stylesheet that is tried} {--meant= : a selector for the elements whose change is meant}';

    protected $description = 'Prints every element that a sheet changes, as JSON';

    /** @throws \InvalidArgumentException */
    protected function answer(): int
    {
        $site = LocalSite::open((string) $this->option('root'));
        $condition = new Condition((int) $this->option('width'), (int) $this->option('height'));
        $sheet = $site->library->compile(LocalSite::read((string) $this->option('sheet')), Survey::SHEET_PATH);
        $meant = $this->meant();
        $overlay = new Overlay($sheet);
        $finder = new EffectFinder($site->declarations->table, PropertyTable::TRACKED);
        $changed = $pseudo = [];
        foreach ((array) $this->argument('page') as $path) {
            $page = $site->page((string) $path, $condition);
            $before = $page->theme();
            $after = $overlay->on($before);
            $intended = $meant === null ? [] : array_fill_keys((new Matcher($page->page))->selectAny($meant), true);
            foreach ($finder->between((string) $path, $before, $after, self::matched($after), $intended) as $change) {
                if ($change->pseudo === null) {
                    $changed[] = self::row($change, $after);
                } else {
                    $pseudo[] = [...self::row($change, $after), 'pseudo' => "::{$change->pseudo}"];
                }
            }
        }
        $this->json($pseudo === [] ? ['changed' => $changed] : ['changed' => $changed, 'pseudo' => $pseudo]);

        return self::SUCCESS;
    }

    private function meant(): ?SelectorList
    {
        try {
            return $this->option('meant') === null ? null : SelectorParser::parse((string) $this->option('meant'));
        } catch (InvalidSelector $error) {
            throw new \InvalidArgumentException('--meant, character '.($error->offset + 1).": {$error->getMessage()}");
        }
    }

    /** @return array<int, true> the elements that a rule of the sheet matches */
    private static function matched(PageStyles $after): array
    {
        return array_fill_keys($after->matching->touched(), true);
    }

    /** @return array<string, mixed> */
    private static function row(Change $change, PageStyles $after): array
    {
        return [
            'page' => $change->page,
            'path' => $after->page->path($change->element),
            'tag' => $after->page->tags[$change->element],
            'cause' => $change->cause->value,
            'meant' => $change->meant,
            'properties' => $change->properties,
        ];
    }
}
