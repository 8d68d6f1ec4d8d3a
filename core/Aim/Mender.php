<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Colour\ColourSyntax;
use Insignum\Effect\Cause;
use Insignum\Effect\Change;
use Insignum\Effect\EffectFinder;
use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Page\Fingerprint;
use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Sheet\Mark;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;

/**
 * Ways out of a spill: aim narrower, leave some alone, put their old values back by a rule of its own, or accept it. Each is
 * tried on the whole site before it is offered.
 */
final class Mender
{
    /** So many groups are mended, the largest first. */
    private const GROUPS = 4;

    /** So many elements of a group are marked one by one. */
    private const MARKED = 12;

    /** @var array<string, Page> */
    private readonly array $pages;

    private readonly Aimer $aimer;

    public function __construct(private readonly Survey $survey)
    {
        $this->pages = $survey->pages();
        $this->aimer = new Aimer(new Census($this->pages));
    }

    /** @return list<SpillGroup> */
    public function of(Override $override, Sheet $sheet, SurveyResult $result): array
    {
        $groups = $labels = [];
        foreach ($result->spill() as $change) {
            $page = $this->pages[$change->page];
            $label = $page->tags[$change->element].implode('', array_map(static fn (string $c): string => ".$c", array_slice($page->classes[$change->element], 0, 1)));
            $groups["{$change->cause->value} $label ".json_encode($change->properties, JSON_THROW_ON_ERROR)][] = $change;
            $labels[$change->element.$change->page] = $label;
        }
        uasort($groups, static fn (array $a, array $b): int => count($b) <=> count($a));
        $out = [];
        $narrower = $this->narrower($override, $sheet, $result);
        foreach (array_slice($groups, 0, self::GROUPS) as $changes) {
            $elements = self::elements($changes);
            $mends = array_filter([
                $changes[0]->cause === Cause::Matched ? $narrower : null,
                $changes[0]->cause === Cause::Matched ? $this->leave($override, $sheet, $result, $elements) : null,
                $this->restore($override, $sheet, $result, $changes),
                $this->accept($override, $sheet, $result, $elements),
            ]);
            $out[] = new SpillGroup($labels[$changes[0]->element.$changes[0]->page], $changes[0]->cause, $elements, $changes[0]->properties, self::distinct($mends));
        }

        return $out;
    }

    /** A selector that takes what is meant and nothing that spills now by match. */
    private function narrower(Override $override, Sheet $sheet, SurveyResult $result): ?Mend
    {
        $matched = self::elements(array_filter($result->spill(), static fn (Change $c): bool => $c->cause === Cause::Matched));
        $meant = $this->meant($result, $matched);

        return $matched === [] || $meant === [] ? null : $this->aimed($override, $sheet, $result, $meant, $matched, 'narrower', 'aim narrower');
    }

    /**
     * The group marked as one to leave alone, and aimed again.
     *
     * @param  array<string, list<int>>  $elements
     */
    private function leave(Override $override, Sheet $sheet, SurveyResult $result, array $elements): ?Mend
    {
        $meant = $this->meant($result, $elements);
        $marked = $override->withMarks([...$override->marks, ...$this->marks($elements, 'kept')]);

        return $meant === [] ? null : $this->aimed($marked, $sheet, $result, $meant, $elements, 'leave', 'leave these alone, with a mark that is kept');
    }

    /**
     * @param  array<string, list<int>>  $meant
     * @param  array<string, list<int>>  $kept
     * @param  'narrower'|'leave'  $kind
     */
    private function aimed(Override $override, Sheet $sheet, SurveyResult $result, array $meant, array $kept, string $kind, string $words): ?Mend
    {
        foreach (array_slice($this->aimer->of($meant, $kept)->fits, 0, 3) as $fit) {
            if (! $fit->fits() || array_diff_key(array_filter($fit->reach), array_filter($result->reach)) !== []) {
                continue;
            }
            $narrowed = $override->withSelector($fit->selector)->meaning($fit->selector);
            $mend = $this->tried($kind, "$words: {$fit->selector}", $narrowed, null, $sheet, $result, $kept);
            if ($mend !== null) {
                return $mend;
            }
        }

        return null;
    }

    /**
     * A rule of its own that gives the group the values that it had.
     *
     * @param  non-empty-list<Change>  $changes
     */
    private function restore(Override $override, Sheet $sheet, SurveyResult $result, array $changes): ?Mend
    {
        $values = $changes[0]->properties;
        if ($changes[0]->pseudo !== null) {
            return null;
        }
        $elements = self::elements($changes);
        $declarations = [];
        foreach ($values as $property => [$before]) {
            $declarations[] = new OverrideDeclaration($property, self::written($before));
        }
        foreach (array_slice($this->aimer->of($elements, $this->unlike($result, $elements))->fits, 0, 4) as $fit) {
            if (! $fit->fits()) {
                continue;
            }
            foreach ([$fit->selector, ...self::stronger($fit->selector, $override->selector)] as $selector) {
                $added = new Override("{$override->id}-back", $selector, $declarations, 'Keeps what it was.', true, $override->widths, $override->state, $selector, $override->wears);
                $mend = $this->tried('restore', "put their old values back by a rule of its own: $selector", $override, $added, $sheet, $result, $elements);
                if ($mend !== null) {
                    return $mend;
                }
            }
        }

        return null;
    }

    /** A computed value as an author would write it: opaque colours by their hex digits. */
    private static function written(string $value): string
    {
        if ($value === EffectFinder::NOT_SET) {
            return 'unset';
        }
        $colour = str_starts_with($value, 'rgb(') ? ColourSyntax::fixed($value) : null;

        return $colour?->hex() ?? $value;
    }

    /** @return list<string> the selector where it has to outweigh the override's own */
    private static function stronger(string $selector, string $override): array
    {
        return str_contains($selector, ',') || str_contains($override, ',') ? [] : ["$override $selector"];
    }

    /** @param  array<string, list<int>>  $elements */
    private function accept(Override $override, Sheet $sheet, SurveyResult $result, array $elements): ?Mend
    {
        if (array_sum(array_map(count(...), $elements)) > self::MARKED * 10) {
            return null;
        }

        return $this->tried('accept', 'accept it, with a note', $override->withMarks([...$override->marks, ...$this->marks($elements, 'accepted')]), null, $sheet, $result, $elements);
    }

    /**
     * The mend, if nothing of the group spills with it, everything that was meant still changes, and nothing new spills.
     *
     * @param  'narrower'|'leave'|'restore'|'accept'  $kind
     * @param  array<string, list<int>>  $group
     */
    private function tried(string $kind, string $words, Override $override, ?Override $added, Sheet $sheet, SurveyResult $before, array $group): ?Mend
    {
        try {
            $result = $this->survey->of($override, $sheet, $added);
        } catch (InvalidSelector) {
            return null;
        }
        $left = self::elements($result->spill());
        $isMeant = static fn (Change $c): bool => $c->meant;
        $isMended = self::without($group, $left) === $group
            && self::without(self::elements(array_filter($before->changes, $isMeant)), self::elements(array_filter($result->changes, $isMeant))) === []
            && self::without($left, self::elements($before->spill())) === [];
        if (! $isMended) {
            return null;
        }

        return new Mend($kind, $words, $override, $added, array_sum(array_map(count(...), $left)));
    }

    /**
     * @param  array<string, list<int>>  $elements  by page
     * @param  array<string, list<int>>  $others
     * @return array<string, list<int>> those of the first that are none of the second
     */
    private static function without(array $elements, array $others): array
    {
        foreach ($elements as $path => $list) {
            $elements[$path] = array_values(array_diff($list, $others[$path] ?? []));
        }

        return array_filter($elements);
    }

    /**
     * What a rule for some elements must not take: what is meant, and those of the same tags near it that keep their look.
     *
     * @param  array<string, list<int>>  $elements
     * @return array<string, list<int>>
     */
    private function unlike(SurveyResult $result, array $elements): array
    {
        $unlike = $this->meant($result, $elements);
        $left = self::MARKED;
        foreach ($elements as $path => $list) {
            $page = $this->pages[$path];
            $tags = array_fill_keys(array_map(static fn (int $e): string => $page->tags[$e], $list), true);
            foreach ($result->reach[$path] ?? [] as $reached) {
                for ($e = $reached + 1; $e < $page->ends[$reached] && $left > 0; $e++) {
                    if (isset($tags[$page->tags[$e]]) && ! in_array($e, $list, true) && ! in_array($e, $unlike[$path] ?? [], true)) {
                        $unlike[$path][] = $e;
                        $left--;
                    }
                }
            }
        }

        return $unlike;
    }

    /**
     * What is reached, but for some.
     *
     * @param  array<string, list<int>>  $without
     * @return array<string, list<int>>
     */
    private function meant(SurveyResult $result, array $without): array
    {
        return self::without(self::without($result->reach, $without), $result->marked->kept);
    }

    /**
     * @param  array<string, list<int>>  $elements
     * @param  'kept'|'accepted'  $kind
     * @return list<Mark>
     */
    private function marks(array $elements, string $kind): array
    {
        $marks = [];
        foreach ($elements as $path => $list) {
            foreach ($list as $element) {
                $marks[] = new Mark($kind, $path, $this->pages[$path]->path($element), Fingerprint::of($this->pages[$path], $element));
            }
        }

        return $kind === 'kept' ? array_slice($marks, 0, self::MARKED) : $marks;
    }

    /**
     * @param  iterable<Change>  $changes
     * @return array<string, list<int>> by page
     */
    private static function elements(iterable $changes): array
    {
        $elements = [];
        foreach ($changes as $change) {
            $elements[$change->page][$change->element] = $change->element;
        }

        return array_map(array_values(...), $elements);
    }

    /**
     * @param  array<Mend>  $mends
     * @return list<Mend> without those that come to the same selector and nothing else
     */
    private static function distinct(array $mends): array
    {
        $seen = [];
        foreach ($mends as $mend) {
            $seen["{$mend->kind} {$mend->override->selector}"] ??= $mend;
        }

        return array_values($seen);
    }
}
