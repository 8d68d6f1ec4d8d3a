<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Aim\WinCheck;
use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Selector\InvalidSelector;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Sheet\WidthRange;
use Insignum\Style\Declarations;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Severity;

/**
 * What is wrong with an override beside its grammar: a shorthand that wipes out what was set beside it, a line that is set
 * again elsewhere, an `!important` that isn't needed, an image that isn't there. Each is tried before it is told.
 */
final class OverrideAdvice
{
    /** @param  \Closure(string): ?bool  $isThere  whether the site has an image at an address; null where that can't be told */
    public function __construct(private readonly Survey $survey, private readonly Declarations $declarations, private readonly \Closure $isThere)
    {
    }

    /** @return array<int, Finding> by the index of the declaration; one for each at the most */
    public function on(Override $override, Sheet $sheet, SurveyResult $result): array
    {
        $found = [];
        foreach ($override->declarations as $index => $declaration) {
            if (! $declaration->enabled) {
                continue;
            }
            $width = $result->width();
            $counts = $width !== null && $override->rangeOf($declaration)->has($width);
            $finding = $this->wipesOwn($override, $index)
                ?? ($counts ? $this->wipes($override, $declaration, $result) : null)
                ?? $this->missing($declaration)
                ?? ($counts ? $this->needless($override, $index, $sheet, $result) : null)
                ?? ($counts ? $this->setAgain($override, $declaration, $sheet, $result) : null);
            if ($finding !== null) {
                $found[$index] = $finding;
            }
        }

        return $found;
    }

    /** Another line of the same override that sets all of it again: a later one, or an important one where this is not. */
    private function wipesOwn(Override $override, int $index): ?Finding
    {
        $declaration = $override->declarations[$index];
        $targets = $this->declarations->targets($declaration->name);
        foreach ($override->declarations as $at => $other) {
            $isStronger = $other->important === $declaration->important ? $at > $index : $other->important;
            if ($other->enabled && $isStronger && $override->rangeOf($other) == $override->rangeOf($declaration) && $other->name !== $declaration->name && array_diff($targets, $this->declarations->targets($other->name)) === []) {
                return new Finding('wiped', Severity::Warning, "{$other->name} ".($at > $index ? 'further down' : 'is marked !important and').' sets '."{$declaration->name} again: this line does nothing.".($at > $index && $other->important === $declaration->important ? " Put it after {$other->name}." : ''));
            }
        }

        return null;
    }

    /** A shorthand that resets what the theme had set beside it. `background: none` and its like are meant to. */
    private function wipes(Override $override, OverrideDeclaration $declaration, SurveyResult $result): ?Finding
    {
        $omitted = in_array(strtolower(trim($declaration->value)), ['none', '0'], true) ? [] : $this->declarations->omitted($declaration->name, $declaration->value);
        if ($omitted === []) {
            return null;
        }
        $lost = [];
        foreach ($result->changes as $change) {
            foreach ($change->pseudo === null && in_array($change->element, $result->reach[$change->page] ?? [], true) ? $change->properties : [] as $property => [$before, $after]) {
                $isReset = in_array($property === 'background-position' ? 'background-position-x' : $property, $omitted, true);
                if ($isReset && ! $this->isNothing($property, $before) && $this->isNothing($property, $after)) {
                    $lost[$property] = $before;
                }
            }
        }
        if ($lost === []) {
            return null;
        }
        $name = (string) array_key_first($lost);
        $value = mb_strimwidth((string) reset($lost), 0, 60, '…');
        $isColourAlone = $declaration->name === 'background' && array_values(array_diff($this->declarations->targets('background'), $omitted)) === ['background-color'];

        return new Finding('wipes', Severity::Warning, "{$declaration->name} resets {$name}, which was {$value}.".($isColourAlone ? ' Write background-color to keep it.' : ''), fix: $isColourAlone ? 'background-color' : null);
    }

    private function missing(OverrideDeclaration $declaration): ?Finding
    {
        preg_match_all('/url\(\s*(["\']?)(.*?)\1\s*\)/i', $declaration->value, $m);
        foreach ($m[2] as $address) {
            if (($this->isThere)($address) === false) {
                return new Finding('missing-image', Severity::Warning, "The site has no image at {$address}.");
            }
            if (preg_match('~\A(?:https?:)?//~i', $address) === 1) {
                return new Finding('image-elsewhere', Severity::Notice, 'This image lies on another site: it may go away there, and that site learns who visits yours.');
            }
        }

        return null;
    }

    private function needless(Override $override, int $index, Sheet $sheet, SurveyResult $result): ?Finding
    {
        if (! $override->declarations[$index]->important || $result->reached() === 0) {
            return null;
        }
        $plain = $override->declarations;
        $plain[$index] = $plain[$index]->marked(false);
        $without = $override->withDeclarations(array_values($plain));
        try {
            $tried = $this->survey->of($without, $sheet);
        } catch (InvalidSelector) {
            return null;
        }
        $wins = $tried->changes == $result->changes && (new WinCheck($this->survey, $this->declarations))->losses($without, $tried) === [];

        return $wins ? new Finding('needless-important', Severity::Notice, "{$override->declarations[$index]->name} wins without !important as well.") : null;
    }

    /** Other overrides of the sheet, in the same state and at these widths at least, that win on all that this one reaches. */
    private function setAgain(Override $override, OverrideDeclaration $declaration, Sheet $sheet, SurveyResult $result): ?Finding
    {
        $tried = $sheet->with($override->switched(true));
        $places = SheetWriter::places($tried);
        $others = [];
        foreach (WinCheck::reached($override, $result) as [$styles, $element, $pseudo]) {
            foreach ($this->declarations->targets($declaration->name) as $property) {
                $winner = $styles->cascade->contenders($element, $property, $pseudo)[0] ?? null;
                $by = $winner?->entry?->sheet->path === Survey::SHEET_PATH ? SheetWriter::entryAt($places, $winner->setting->declaration->start) : null;
                if ($by === null || $by === $override->id) {
                    return null;
                }
                $others[$by] = true;
            }
        }
        $stronger = array_values(array_filter($tried->active(), fn (Override $o): bool => isset($others[$o->id]) && $o->state === $override->state && $this->says($o, $declaration, $override->rangeOf($declaration))));
        if ($others === [] || count($stronger) < count($others)) {
            return null;
        }
        $more = count($stronger) === 1 ? '' : ' and '.(count($stronger) - 1).' more';
        $isAfter = array_search($stronger[0], $tried->active(), true) > array_search($override->id, array_column($tried->active(), 'id'), true);

        return new Finding('dead', Severity::Warning, "{$declaration->name} never shows: {$stronger[0]->selector}$more, ".($isAfter ? 'further down in the sheet, sets it again.' : 'which is stronger, sets it too.'));
    }

    /** Whether an override sets all that a declaration does, at all of its widths. */
    private function says(Override $override, OverrideDeclaration $declaration, WidthRange $range): bool
    {
        $left = $this->declarations->targets($declaration->name);
        foreach ($override->active() as $theirs) {
            if ($override->rangeOf($theirs)->contains($range)) {
                $left = array_diff($left, $this->declarations->targets($theirs->name));
            }
        }

        return $left === [];
    }

    private function isNothing(string $property, string $value): bool
    {
        $initial = $this->declarations->initialValues();
        $first = static fn (string $text): string => trim(explode(',', $text)[0]);

        return $property === 'background-position'
            ? $first($value) === '0% 0%'
            : $first($value) === $first($initial[$property] ?? '') || ($property === 'background-color' && $value === 'rgba(0, 0, 0, 0)') || ($property === 'background-size' && $first($value) === 'auto');
    }
}
