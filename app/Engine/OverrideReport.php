<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Advice\DeclarationAdvice;
use Insignum\Advice\OverrideAdvice;
use Insignum\Advice\SelectorAdvice;
use Insignum\Aim\Loss;
use Insignum\Aim\Raise;
use Insignum\Aim\Sentence;
use Insignum\Aim\Verdict;
use Insignum\Aim\WinCheck;
use Insignum\Effect\Cause;
use Insignum\Effect\Change;
use Insignum\Effect\Readability;
use Insignum\Effect\Reading;
use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\Wear;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Sheet\WidthRange;
use Insignum\Style\Condition;
use Insignum\Style\LayerReader;
use Insignum\Syntax\Finding;

/** What an override under work would do on the whole site, as plain data for the front end. */
final class OverrideReport
{
    /** So many changed elements are listed for each page; the counts are of all. */
    private const LISTED = 40;

    /** So many marks are drawn on a spine; more would be one solid bar. */
    private const MARKED = 200;

    private readonly Sentence $sentence;

    /** @param  string  $scope  what the site puts in front of all selectors */
    public function __construct(private readonly SiteEngine $engine, private readonly Sheet $sheet, private readonly string $scope = '')
    {
        $this->sentence = new Sentence($engine->pages());
    }

    /**
     * @param  ?string  $path  of the element that is looked at on the page
     * @param  list<Wear>  $worn  the sleeping states that the site is looked at with
     * @param  ?Override  $added  a second override that comes with it
     * @param  ?WidthRange  $edited  whose layers and shadows are wanted; null for the override's own
     * @return array<string, mixed>
     */
    public function of(Override $override, Condition $condition, string $shown, string $page = '', ?string $path = null, array $worn = [], ?Override $added = null, ?WidthRange $edited = null): array
    {
        $findings = (new DeclarationAdvice($this->engine->declarations))->onOverride($override);
        $written = array_column(array_map(static fn (OverrideDeclaration $d): array => [$d->name, $d->value], array_filter($override->active(), static fn (OverrideDeclaration $d): bool => $override->rangeOf($d) == ($edited ?? $override->widths))), 1, 0);
        $base = [
            'css' => implode("\n\n", array_map(SheetWriter::override(...), array_filter([$override, $added]))),
            'preview' => self::preview($added === null ? $this->sheet->with($override) : $this->sheet->with($override)->with($added), $shown),
            'declarations' => (object) array_map(self::finding(...), $findings),
            'layers' => $this->engine->declarations->layers()->backgrounds($written),
            'shadows' => LayerReader::shadows($written['box-shadow'] ?? ''),
            'width' => $condition->width,
        ];
        try {
            $survey = new Survey($this->engine->site($condition, $worn), $this->engine->library, $this->engine->declarations->table);
            $result = $survey->of($override, $this->sheet, $added);
        } catch (InvalidSelector $error) {
            return [...$base, 'selector' => ['ok' => false, 'message' => $error->getMessage(), 'offset' => $error->offset, 'fix' => null], 'pages' => [], 'place' => null, 'changes' => [], 'accepted' => 0, 'readings' => [], 'read' => ['total' => 0, 'failing' => 0], 'verdict' => null, 'sentence' => [], 'marks' => MarkReport::of($this->engine->pages(), $override->marks)];
        }
        $dead = $result->reached() > 0 ? null : (new SelectorAdvice($this->engine->pages()))->on(SelectorParser::parse($override->selector));

        $readings = (new Readability($this->engine->sampler()))->of($result);
        $findings += (new OverrideAdvice($survey, $this->engine->declarations, $this->engine->isThere()))->on($override, $this->sheet, $result);

        return [
            ...$base,
            'declarations' => (object) array_map(self::finding(...), $findings),
            'selector' => ['ok' => $dead === null, 'message' => $dead?->message, 'offset' => null, 'fix' => $dead?->fix, 'part' => SelectorParser::parse($override->selector)->selectors[0]->pseudoElement ?? '', 'specificity' => SelectorParser::parse($override->fullSelector())->highest()->toList()],
            'pages' => $this->pages($result),
            'place' => $this->place($result, $page, $path),
            'changes' => $this->changes($result),
            'accepted' => count($result->accepted()),
            'readings' => self::readings($result, $readings),
            'read' => ['total' => count($readings), 'failing' => count(array_filter($readings, static fn (Reading $r): bool => $r->fails()))],
            'verdict' => $this->verdict((new WinCheck($survey, $this->engine->declarations, $this->scope))->of($override, $this->sheet, $result)),
            'sentence' => $this->sentence->of($override, $result->reach),
            'marks' => MarkReport::of($this->engine->pages(), $override->marks),
        ];
    }

    /** @return array<string, mixed> */
    public static function loss(Loss $loss): array
    {
        return ['property' => $loss->property, 'by' => $loss->by, 'elements' => $loss->elements, 'winner' => ElementReport::place($loss->winner)];
    }

    /** @return array<string, mixed> */
    public static function raise(Raise $raise): array
    {
        return ['words' => $raise->words, 'selector' => $raise->override->selector, 'declarations' => array_map(get_object_vars(...), $raise->override->declarations)];
    }

    /** @return array<string, mixed> what the bench works on */
    public static function fields(Override $override): array
    {
        return [
            ...get_object_vars($override),
            'declarations' => array_map(get_object_vars(...), $override->declarations),
            'widths' => get_object_vars($override->widths),
            'wears' => array_map(get_object_vars(...), $override->wears),
            'marks' => array_map(get_object_vars(...), $override->marks),
        ];
    }

    /** The sheet as the frame shows it: entries for the state that is being looked at count as if it were on. */
    public static function preview(Sheet $sheet, string $shown): string
    {
        $entries = array_map(static fn ($entry) => $entry instanceof Override && $shown !== '' && $entry->state === $shown
            ? $entry->atRest()
            : $entry, $sheet->entries);

        return SheetWriter::live(new Sheet($entries));
    }

    /** @return list<array{page: string, reach: list<array{at: float, path: string}>, spill: list<array{at: float, path: string}>, count: int, spilled: int}> marks at shares of the page's elements */
    private function pages(SurveyResult $result): array
    {
        $spilled = [];
        foreach ($result->spill() as $change) {
            $spilled[$change->page][$change->element] = $change->element;
        }
        $out = [];
        foreach ($this->engine->pages() as $path => $page) {
            $out[] = self::marksOn($path, $page, $result->reach[$path] ?? [], array_values($spilled[$path] ?? []));
        }

        return $out;
    }

    /**
     * @param  list<int>  $reached
     * @param  list<int>  $spilled
     * @return array{page: string, reach: list<array{at: float, path: string}>, spill: list<array{at: float, path: string}>, count: int, spilled: int} marks at shares of the page's elements
     */
    public static function marksOn(string $path, Page $page, array $reached, array $spilled): array
    {
        $mark = static fn (int $element): array => ['at' => round($element / max(1, $page->count()), 4), 'path' => $page->path($element)];

        return [
            'page' => $path,
            'reach' => array_map($mark, array_slice($reached, 0, self::MARKED)),
            'spill' => array_map($mark, array_slice($spilled, 0, self::MARKED)),
            'count' => count($reached),
            'spilled' => count($spilled),
        ];
    }

    /** @return ?array{number: int, of: int} which one of all reached elements the one at the path is */
    private function place(SurveyResult $result, string $page, ?string $path): ?array
    {
        $element = $path === null ? null : ($this->engine->pages()[$page] ?? null)?->at($path);
        $number = 1;
        foreach ($result->reach as $at => $elements) {
            $index = $at === $page ? array_search($element, $elements, true) : false;
            if ($index !== false) {
                return ['number' => $number + $index, 'of' => $result->reached()];
            }
            $number += count($elements);
        }

        return null;
    }

    /** @return list<array<string, mixed>> what changed without being one of the elements meant, by page */
    private function changes(SurveyResult $result): array
    {
        $byPage = [];
        foreach ($result->spill() as $change) {
            $byPage[$change->page][] = $change;
        }
        $out = [];
        foreach ($byPage as $path => $changes) {
            $page = $result->after[$path]->page;
            $out[] = [
                'page' => $path,
                'total' => count($changes),
                'inherited' => count(array_filter($changes, static fn (Change $c): bool => $c->cause === Cause::Inherited)),
                'items' => array_map(fn (Change $c): array => [...$this->change($page, $c), 'kept' => $result->marked->isKept($c->page, $c->element)], array_slice($changes, 0, self::LISTED)),
            ];
        }

        return $out;
    }

    /** @return array<string, mixed> */
    private function change(Page $page, Change $change): array
    {
        return [
            'path' => $page->path($change->element),
            'label' => ElementReport::label($page, $change->element).($change->pseudo === null ? '' : "::{$change->pseudo}"),
            'excerpt' => $page->excerpt($change->element, 40),
            'cause' => $change->cause->value,
            'properties' => $change->properties,
        ];
    }

    /**
     * @param  list<Reading>  $readings  the worst first
     * @return list<array<string, mixed>> the texts whose contrast changed or fails
     */
    public static function readings(SurveyResult $result, array $readings): array
    {
        return array_map(static function (Reading $reading) use ($result): array {
            $page = $result->after[$reading->page]->page;

            return [
                'page' => $reading->page,
                'path' => $page->path($reading->element),
                'label' => ElementReport::label($page, $reading->element),
                'excerpt' => $page->excerpt($reading->element, 40),
                'before' => round($reading->before, 2),
                'after' => round($reading->after, 2),
                'needed' => $reading->needed,
                'fails' => $reading->fails(),
                'worsened' => $reading->worsened(),
                'nearest' => $reading->nearest()?->hex(),
                'certain' => $reading->behind->certain,
            ];
        }, array_slice($readings, 0, self::LISTED));
    }

    /** @return array<string, mixed> */
    private function verdict(Verdict $verdict): array
    {
        return [
            'wins' => $verdict->wins(),
            'losses' => array_map(self::loss(...), $verdict->losses),
            'raises' => array_map(self::raise(...), $verdict->raises),
            'beaten' => $verdict->beaten === null ? null : [...ElementReport::place($verdict->beaten), 'by' => $verdict->beatenBy],
        ];
    }

    /** @return array{code: string, severity: string, message: string, fix: ?string} */
    private static function finding(Finding $finding): array
    {
        return ['code' => $finding->code, 'severity' => $finding->severity->value, 'message' => $finding->message, 'fix' => $finding->fix];
    }
}
