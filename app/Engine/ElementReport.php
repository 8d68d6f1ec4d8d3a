<?php

declare(strict_types=1);

namespace App\Engine;

use App\Support\Refusal;
use Insignum\Aim\Candidate;
use Insignum\Aim\CandidateFinder;
use Insignum\Aim\LifetimeJudge;
use Insignum\Aim\Nouns;
use Insignum\Colour\Contrast;
use Insignum\Effect\Backdrop;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Page\Page;
use Insignum\Selector\Wear;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Style\CascadeOrder;
use Insignum\Style\Condition;
use Insignum\Style\Contender;
use Insignum\Style\Origin;
use Insignum\Style\PageStyles;
use Insignum\Style\Provenance;
use Insignum\Style\Style;
use Insignum\Style\VariableSource;

/** All that is told about a picked element, as plain data for the front end. */
final class ElementReport
{
    /** The properties whose provenance is shown, with their headings. */
    private const SHOWN = [
        'background-color' => 'Background', 'background-image' => 'Background image', 'color' => 'Text colour',
        'border-top-width' => 'Border top', 'border-right-width' => 'Border right', 'border-bottom-width' => 'Border bottom', 'border-left-width' => 'Border left',
        'border-top-left-radius' => 'Radius',
    ];

    /** @param  string  $scope  what the site puts in front of all selectors */
    public function __construct(private readonly SiteEngine $engine, private readonly Sheet $sheet, private readonly string $scope = '')
    {
    }

    /**
     * @param  list<Wear>  $worn  the sleeping states that the page is looked at with
     * @return array<string, mixed>
     */
    public function of(string $path, string $elementPath, Condition $condition, array $worn = []): array
    {
        $site = $this->engine->page($path, $condition, $worn);
        $page = $site?->page;
        $element = $page?->at($elementPath);
        if ($site === null || $page === null || $element === null) {
            throw $this->gone();
        }
        $overlay = new Overlay($this->engine->library->compile(SheetWriter::live($this->sheet), Survey::SHEET_PATH));
        $styles = $overlay->on($site->theme());
        $finder = $this->finder();
        $candidates = $finder->find($path, $element);

        return [
            'page' => $path,
            'path' => $elementPath,
            'tag' => $page->tags[$element],
            'noun' => Nouns::of($page, $element),
            'label' => self::label($page, $element),
            'excerpt' => $page->excerpt($element),
            'parts' => $this->parts($page, $element),
            'line' => array_map(static fn (int $e): array => ['path' => $page->path($e), 'label' => self::label($page, $e), 'noun' => Nouns::of($page, $e)], $page->line($element)),
            'provenance' => $this->provenance($styles, $element),
            'contrast' => $this->contrast($styles, $element),
            'candidates' => array_map(self::candidate(...), $candidates),
            'tones' => array_map(static fn (array $t): array => ['tone' => $t[0], ...self::candidate($t[1])], $finder->tones($path, $element)),
            'proposed' => CandidateFinder::proposed($candidates)->selector,
            'sleeping' => SleepingReport::around($this->engine->sleeping(), $this->engine->pages()[$path], $element),
        ];
    }

    /** `blockquote.quote`, without classes beyond the second. */
    public static function label(Page $page, int $element): string
    {
        $classes = array_slice($page->classes[$element], 0, 2);

        return $page->tags[$element].($classes === [] ? '' : '.'.implode('.', $classes));
    }

    /**
     * The kind of an element in the sections of some tones.
     *
     * @param  non-empty-list<string>  $tones  classes
     * @return array<string, mixed>
     */
    public function inTones(string $path, string $elementPath, array $tones): array
    {
        $element = ($this->engine->pages()[$path] ?? null)?->at($elementPath) ?? throw $this->gone();

        return self::candidate($this->finder()->inTones($path, $element, $tones));
    }

    private function finder(): CandidateFinder
    {
        return new CandidateFinder($this->engine->pages(), $this->scope, $this->engine->earlier());
    }

    private function gone(): Refusal
    {
        return new Refusal('no-element', 'There is no such element on this page any more. Point at it again.', 404);
    }

    /** @return array<string, mixed> */
    private static function candidate(Candidate $candidate): array
    {
        return [
            'kind' => $candidate->kind,
            'selector' => $candidate->selector,
            'words' => $candidate->words,
            'specificity' => $candidate->specificity->toList(),
            'total' => $candidate->count(),
            'pages' => array_map(count(...), $candidate->reach),
            'reasons' => $candidate->reasons,
        ];
    }

    /** @return list<array{text: string, lifetime: string, reason: ?string}> id and classes, with how long they are likely to last */
    private function parts(Page $page, int $element): array
    {
        $judge = LifetimeJudge::of($this->engine->pages(), $this->engine->earlier());
        $parts = [];
        $id = $page->attribute($element, 'id');
        foreach ([...($id === null || $id === '' ? [] : ["#$id"]), ...array_map(static fn (string $c): string => ".$c", $page->classes[$element])] as $text) {
            $lifetime = $judge->judge(substr($text, 1));
            $parts[] = ['text' => $text, 'lifetime' => $lifetime->value, 'reason' => $lifetime->reason($text)];
        }

        return $parts;
    }

    /** @return list<array<string, mixed>> for the element, then for its pseudo-elements, as far as rules are about them */
    private function provenance(PageStyles $styles, int $element): array
    {
        $rows = [];
        foreach ([null, 'before', 'after', 'placeholder', 'marker'] as $pseudo) {
            $style = $pseudo === null ? $styles->style($element) : $styles->pseudo($element, $pseudo);
            if ($style === null) {
                continue;
            }
            foreach (self::SHOWN as $property => $heading) {
                $inherits = $this->engine->declarations->table->find($property)->inherited ?? false;
                $found = Provenance::of($styles, $element, $property, $inherits, $pseudo);
                if ($pseudo === null || ($found->contenders !== [] && $found->inheritedFrom === null)) {
                    $rows[] = $this->row($styles, $style, $found, $heading, $pseudo);
                }
            }
        }

        return $rows;
    }

    /** @return array<string, mixed> */
    private function row(PageStyles $styles, Style $style, Provenance $found, string $heading, ?string $pseudo): array
    {
        $page = $styles->page;
        $property = $found->property;
        $value = static fn (string $part): string => (string) $style->value(str_replace('-width', $part, $property));
        $isEdge = str_ends_with($property, '-width');
        $winner = $found->contenders[0] ?? null;
        $at = static fn (int $element): array => ['path' => $page->path($element), 'label' => self::label($page, $element)];

        return [
            'property' => $property,
            'pseudo' => $pseudo,
            'heading' => $heading,
            'value' => $isEdge ? $value('-width').' '.$value('-style').' '.$value('-color') : $value('-width'),
            'colour' => str_ends_with($property, 'color') || $isEdge ? $value('-color') : null,
            'setBy' => $winner === null ? null : self::place($winner),
            'inheritedFrom' => $found->inheritedFrom === null ? null : $at($found->inheritedFrom),
            'lost' => $winner === null ? [] : array_map(static fn (Contender $c): array => [...self::place($c), 'because' => CascadeOrder::decider($winner->key, $c->key)], array_slice($found->contenders, 1, 6)),
            'variables' => array_map(static fn (VariableSource $v): array => ['name' => $v->name, 'value' => $v->value, 'setBy' => self::place($v->setBy), 'on' => $at($v->element)], $found->variables),
            'conditional' => array_map(self::place(...), $found->conditional),
        ];
    }

    /** @return array{origin: string, file: ?string, line: ?int, selector: ?string, declaration: string} */
    public static function place(Contender $contender): array
    {
        $sheet = $contender->entry?->sheet;
        $isBrowser = $contender->origin === Origin::Browser;
        $isOurs = $sheet?->path === Survey::SHEET_PATH;

        return [
            'origin' => $isOurs ? 'sheet' : $contender->origin->value,
            'file' => $sheet === null || $isBrowser || $isOurs ? null : ltrim($sheet->path, '/'),
            'line' => $sheet === null || $isBrowser || $isOurs ? null : $sheet->position($contender->setting->declaration->start)->line,
            'selector' => $contender->entry?->selector->text,
            'declaration' => $contender->setting->declaration->name.': '.$contender->setting->declaration->value.($contender->setting->important ? ' !important' : ''),
        ];
    }

    /** @return array{ratio: float, needed: float, certain: bool, behind: list<string>} */
    private function contrast(PageStyles $styles, int $element): array
    {
        $behind = (new Backdrop($styles, $this->engine->sampler()))->behind($element);
        $style = $styles->style($element);

        return [
            'ratio' => round($behind->lowest($style->colour), 2),
            'needed' => Contrast::needed($style->fontSize, (int) $style->values['font-weight']),
            'certain' => $behind->certain,
            'behind' => array_map(static fn ($c): string => $c->hex(), array_slice($behind->colours, 0, 6)),
        ];
    }
}
