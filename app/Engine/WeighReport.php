<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Advice\ReadableAdvice;
use Insignum\Aim\Mend;
use Insignum\Aim\Mender;
use Insignum\Aim\Raise;
use Insignum\Aim\SpillGroup;
use Insignum\Aim\WinCheck;
use Insignum\Effect\Readability;
use Insignum\Effect\Reading;
use Insignum\Effect\Survey;
use Insignum\Effect\Viewing;
use Insignum\Selector\Wear;
use Insignum\Sheet\Override;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\WidthRange;
use Insignum\Style\Condition;
use Insignum\Style\SheetRule;

/** What takes longer to answer about an override: does it win at every width and in every state, what would help, and how a spill is mended. */
final class WeighReport
{
    /** A phone, a tablet, a desktop; beside these, one width for each stretch between the theme's breakpoints. */
    private const WIDTHS = [375, 768, 1280];

    /** So many widths are looked at; a theme with more stretches between its breakpoints has some left out. */
    private const MOST_WIDTHS = 8;

    private const RAISES = 3;

    /** So many texts that can't be read are told for each width and state. */
    private const READ = 3;

    /** What a text and the ground under it are made of: who sets one of them should look at the other. */
    private const READABLE = ['color', 'background-color', 'background-image'];

    /** States in which a theme often takes over what was set at rest. */
    private const STATES = ['hover', 'focus-visible'];

    public function __construct(private readonly SiteEngine $engine, private readonly Sheet $sheet, private readonly string $scope = '')
    {
    }

    /**
     * @param  list<Wear>  $worn
     * @param  ?Override  $added  a second override that comes with it
     * @return array<string, mixed>
     *
     * @throws \Insignum\Selector\InvalidSelector
     */
    public function of(Override $override, Condition $condition, array $worn = [], ?Override $added = null): array
    {
        $losing = [];
        $told = [];
        $readability = new Readability($this->engine->sampler());
        foreach ($this->viewings($override, $condition) as $viewing) {
            [$survey, $check] = $this->at($viewing, $worn);
            $result = $survey->of($override, $this->sheet, $added, $viewing->state);
            $losses = $check->losses($override, $result);
            if ($losses !== [] && $viewing->state === $override->state) {
                $losing[] = [$viewing, $survey, $check, $result];
            }
            $failing = array_values(array_filter($readability->of($result), static fn (Reading $r): bool => $r->fails()));
            $told[] = [
                'width' => $viewing->condition->width,
                'state' => $viewing->state,
                'reached' => $result->reached(),
                'spilled' => count($result->spill()),
                'losses' => array_map(OverrideReport::loss(...), $losses),
                'failing' => count($failing),
                'readings' => OverrideReport::readings($result, array_slice($failing, 0, self::READ)),
            ];
        }
        [$survey] = $this->at(new Viewing($condition), $worn);
        $result = $survey->of($override, $this->sheet, $added);

        $readable = $added === null ? (new ReadableAdvice($survey, $readability))->on($override, $this->sheet, $result, $readability->of($result)) : null;

        return [
            'readable' => $readable === null ? null : ['override' => OverrideReport::fields($readable[0]), 'added' => $readable[1] === null ? null : OverrideReport::fields($readable[1])],
            'viewings' => $told,
            'raises' => array_map(OverrideReport::raise(...), $this->raises($override, $losing)),
            'groups' => array_map($this->group(...), $result->spill() === [] ? [] : (new Mender($survey))->of($override, $added === null ? $this->sheet : $this->sheet->with($added), $result)),
        ];
    }

    /** @return list<Viewing> the widths that it counts at, in its own state; at rest also the states in which the theme sets the same */
    private function viewings(Override $override, Condition $condition): array
    {
        $widths = array_unique([
            ...array_map($override->nearest(...), [$condition->width, ...self::WIDTHS]),
            ...array_map(static fn (WidthRange $r): int => $r->nearest($condition->width), $override->ranges()),
        ]);
        foreach ($this->stretches() as $stretch) {
            $seen = array_filter($widths, $stretch->has(...));
            $within = $override->nearest($stretch->nearest($condition->width));
            if ($seen === [] && $stretch->has($within) && count($widths) < self::MOST_WIDTHS) {
                $widths[] = $within;
            }
        }
        $viewings = array_map(static fn (int $width): Viewing => new Viewing(new Condition($width, $condition->height), $override->state), array_values($widths));
        foreach ($override->state === '' ? self::STATES : [] as $state) {
            if ($this->themeSets($override, ':'.strtok($state, '-'))) {
                $viewings[] = new Viewing(new Condition($override->nearest($condition->width), $condition->height), $state);
            }
        }

        return $viewings;
    }

    /** @return list<WidthRange> between the breakpoints of the theme */
    private function stretches(): array
    {
        $edges = $this->engine->breakpoints();

        return array_map(static fn (?int $from, ?int $next): WidthRange => new WidthRange($from, $next === null ? null : $next - 1), [null, ...$edges], [...$edges, null]);
    }

    private function themeSets(Override $override, string $state): bool
    {
        $declarations = $this->engine->declarations;
        $ours = array_merge(...array_map(static fn ($d): array => $declarations->targets($d->name), $override->active()));
        $ours = array_intersect($ours, self::READABLE) === [] ? $ours : [...$ours, ...self::READABLE];
        foreach (SheetRule::all($this->engine->library->all()) as $rule) {
            if (str_contains($rule->selector->text, $state)) {
                foreach ($rule->rule->declarations() as $declaration) {
                    if (array_intersect($declarations->targets($declaration->name), $ours) !== []) {
                        return true;
                    }
                }
            }
        }

        return false;
    }

    /**
     * Those that make it win wherever it loses.
     *
     * @param  list<array{Viewing, Survey, WinCheck, \Insignum\Effect\SurveyResult}>  $losing
     * @return list<Raise>
     */
    private function raises(Override $override, array $losing): array
    {
        if ($losing === []) {
            return [];
        }
        [, , $check, $result] = $losing[0];
        $raises = $check->of($override, $this->sheet, $result, self::RAISES)->raises;
        foreach (array_slice($losing, 1) as [$viewing, $survey, $check]) {
            $raises = array_filter($raises, fn (Raise $r): bool => $check->losses($r->override, $survey->of($r->override, $this->sheet, state: $viewing->state)) === []);
        }

        return array_values($raises);
    }

    /**
     * @param  list<Wear>  $worn
     * @return array{Survey, WinCheck}
     */
    private function at(Viewing $viewing, array $worn): array
    {
        $survey = new Survey($this->engine->site($viewing->condition, $worn), $this->engine->library, $this->engine->declarations->table);

        return [$survey, new WinCheck($survey, $this->engine->declarations, $this->scope)];
    }

    /** @return array<string, mixed> */
    private function group(SpillGroup $group): array
    {
        $pages = $this->engine->pages();
        $first = (string) array_key_first($group->elements);

        return [
            'label' => $group->label,
            'cause' => $group->cause->value,
            'total' => $group->count(),
            'pages' => array_map(count(...), $group->elements),
            'first' => ['page' => $first, 'path' => $pages[$first]->path($group->elements[$first][0]), 'excerpt' => $pages[$first]->excerpt($group->elements[$first][0], 40)],
            'properties' => $group->properties,
            'mends' => array_map(static fn (Mend $mend): array => [
                'kind' => $mend->kind,
                'words' => $mend->words,
                'left' => $mend->left,
                'override' => OverrideReport::fields($mend->override),
                'added' => $mend->added === null ? null : OverrideReport::fields($mend->added),
            ], $group->mends),
        ];
    }
}
