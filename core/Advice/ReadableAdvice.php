<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Aim\TextInside;
use Insignum\Colour\Colour;
use Insignum\Colour\Contrast;
use Insignum\Effect\Readability;
use Insignum\Effect\Reading;
use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorText;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\WidthRange;

/**
 * The least that makes all that an override bears on readable: a text colour on what it reaches, or one more rule for the
 * texts inside that have a colour of their own. Tried before it is offered.
 */
final class ReadableAdvice
{
    public function __construct(private readonly Survey $survey, private readonly Readability $readability)
    {
    }

    /**
     * @param  list<Reading>  $readings  of the result
     * @return ?array{Override, ?Override} the override and the rule that is added; null where all can be read, or no one colour would do
     */
    public function on(Override $override, Sheet $sheet, SurveyResult $result, array $readings): ?array
    {
        $failing = array_values(array_filter($readings, static fn (Reading $r): bool => $r->fails()));
        $colour = $failing === [] ? null : $this->colourFor($failing);
        if ($colour === null || str_contains($override->selector, '::')) {
            return null;
        }
        // At the widths that are in question: those of what counts there last.
        $counting = $override->at($result->width() ?? 0);
        $widths = $counting === [] ? $override->widths : $override->rangeOf($counting[count($counting) - 1]);
        $line = new OverrideDeclaration('color', $colour->hex(), widths: $widths == $override->widths ? null : $widths);
        $coloured = $override->withDeclarations([...array_values(array_filter($override->declarations, static fn (OverrideDeclaration $d): bool => $d->name !== 'color' || $override->rangeOf($d) != $widths)), $line]);
        foreach ([null, ...$this->rules($override, $result, $line->at(null), $widths)] as $added) {
            $tried = $added === null ? $coloured : $override;
            try {
                $outcome = $this->survey->of($tried, $sheet, $added);
            } catch (InvalidSelector) {
                continue;
            }
            if (array_filter($this->readability->of($outcome), static fn (Reading $r): bool => $r->fails()) === []) {
                return [$tried, $added];
            }
        }

        return null;
    }

    /**
     * One colour that passes on all that is behind the failing texts, as near as can be to what they have.
     *
     * @param  non-empty-list<Reading>  $failing
     */
    private function colourFor(array $failing): ?Colour
    {
        $grounds = [];
        foreach ($failing as $reading) {
            foreach ($reading->behind->colours as $colour) {
                $grounds[$colour->hex()] = $colour;
            }
        }

        return Contrast::nearestPassing($failing[0]->text, array_values($grounds), max(array_map(static fn (Reading $r): float => $r->needed, $failing)));
    }

    /** @return list<Override> a rule for all of text inside, where there is any */
    private function rules(Override $override, SurveyResult $result, OverrideDeclaration $line, WidthRange $widths): array
    {
        $path = (string) array_key_first(array_filter($result->reach));
        $element = $result->reach[$path][0] ?? null;
        if ($element === null || count(SelectorText::split($override->selector)) > 1) {
            return [];
        }
        $inside = (new TextInside($this->survey->pages()))->in($path, $element, $override->selector);
        if ($inside === null) {
            return [];
        }

        return [new Override("{$override->id}-text", $inside, [$line], 'So that it can be read.', true, $widths, $override->state, $inside, $override->wears)];
    }
}
