<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\JsonCommand;
use App\Support\LocalSite;
use Insignum\Effect\Change;
use Insignum\Effect\EffectFinder;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Effect\Viewing;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\States;
use Insignum\Style\Condition;
use Insignum\Style\PageStyles;
use Insignum\Style\PropertyTable;

/** Everything that a sheet changes on pages below a root, as JSON. */
final class Effect extends JsonCommand
{
    protected $signature = 'insignum:effect {page* : paths below the root} {--root= : the directory that the site lies in} {--width=* : one or more viewport widths, 1280 where none is given} {--height=800} {--state=* : user-action pseudo-classes such as hover, each turned on for every element in turn} {--sheet= : the stylesheet that is tried} {--meant= : a selector for the elements whose change is meant}';

    protected $description = 'Prints every element that a sheet changes, as JSON';

    /** @throws \InvalidArgumentException */
    protected function answer(): int
    {
        $site = LocalSite::open((string) $this->option('root'));
        $sheet = $site->library->compile(LocalSite::read((string) $this->option('sheet')), Survey::SHEET_PATH);
        $meant = $this->meant();
        $overlay = new Overlay($sheet);
        $finder = new EffectFinder($site->declarations->table, PropertyTable::TRACKED);
        $viewings = $this->viewings();
        $changed = $pseudo = [];
        foreach ((array) $this->argument('page') as $path) {
            $rows = [];
            foreach ($viewings as $viewing) {
                $page = $site->page((string) $path, $viewing->condition);
                $before = $page->theme(States::on($page->page, $viewing->state, array_keys($page->page->tags)));
                $after = $overlay->on($before);
                $intended = $meant === null ? [] : array_fill_keys((new Matcher($page->page))->selectAny($meant), true);
                foreach ($finder->between((string) $path, $before, $after, array_fill_keys($after->matching->touched(), true), $intended) as $change) {
                    $row = self::row($change, $after);
                    $key = json_encode($row, JSON_THROW_ON_ERROR).$change->pseudo;
                    $rows[$key] ??= [$row, $change->pseudo, []];
                    $rows[$key][2][] = $viewing->label();
                }
            }
            foreach ($rows as [$row, $name, $seen]) {
                $row += count($viewings) > 1 ? ['viewings' => $seen] : [];
                if ($name === null) {
                    $changed[] = $row;
                } else {
                    $pseudo[] = [...$row, 'pseudo' => "::$name"];
                }
            }
        }
        $this->json($pseudo === [] ? ['changed' => $changed] : ['changed' => $changed, 'pseudo' => $pseudo]);

        return self::SUCCESS;
    }

    /** @return list<Viewing> every width with nothing on, and with each of the states */
    private function viewings(): array
    {
        $viewings = [];
        foreach ((array) $this->option('width') ?: [1280] as $width) {
            foreach (['', ...(array) $this->option('state')] as $state) {
                $viewings[] = new Viewing(new Condition((int) $width, (int) $this->option('height')), (string) $state);
            }
        }

        return $viewings;
    }

    private function meant(): ?SelectorList
    {
        try {
            return $this->option('meant') === null ? null : SelectorParser::parse((string) $this->option('meant'));
        } catch (InvalidSelector $error) {
            throw new \InvalidArgumentException('--meant, character '.($error->offset + 1).": {$error->getMessage()}");
        }
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
