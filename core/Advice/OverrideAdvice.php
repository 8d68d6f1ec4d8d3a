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
use Insignum\Style\Declarations;
use Insignum\Style\Shorthands;
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

    /** A later line of the same override that sets all of it again. */
    private function wipesOwn(Override $override, int $index): ?Finding
    {
        $declaration = $override->declarations[$index];
        $targets = $this->declarations->targets($declaration->name);
        foreach (array_slice($override->declarations, $index + 1) as $later) {
            $isStronger = $later->important || ! $declaration->important;
            if ($later->enabled && $isStronger && $override->rangeOf($later) == $override->rangeOf($declaration) && $later->name !== $declaration->name && array_diff($targets, $this->declarations->targets($later->name)) === []) {
                return new Finding('wiped', Severity::Warning, "{$later->name} further down sets {$declaration->name} again: this line does nothing. Put it after {$later->name}.");
            }
        }

        return null;
    }

    /** A shorthand that resets what the theme had set beside it. */
    private function wipes(Override $override, OverrideDeclaration $declaration, SurveyResult $result): ?Finding
    {
        $longhands = Shorthands::longhands(Shorthands::alias($declaration->name));
        if ($longhands === []) {
            return null;
        }
        $specified = array_diff($longhands, $this->written($declaration));
        $lost = [];
        foreach ($result->changes as $change) {
            foreach ($change->pseudo === null && in_array($change->element, $result->reach[$change->page] ?? [], true) ? $change->properties : [] as $property => [$before, $after]) {
                $isReset = array_intersect($property === 'background-position' ? ['background-position-x'] : [$property], $specified) !== [];
                if ($isReset && ! $this->isInitial($property, $before) && $this->isInitial($property, $after)) {
                    $lost[$property] = $before;
                }
            }
        }
        if ($lost === []) {
            return null;
        }
        $name = (string) array_key_first($lost);
        $value = mb_strimwidth((string) reset($lost), 0, 60, '…');
        $plain = $declaration->name === 'background' && count($this->written($declaration)) === 1 ? ' Write background-color to keep it.' : '';

        return new Finding('wipes', Severity::Warning, "{$declaration->name} resets {$name}, which was {$value}.$plain", fix: $plain === '' ? null : 'background-color');
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
        $wins = (new WinCheck($this->survey, $this->declarations))->losses($without, $tried) === [];

        return $wins ? new Finding('needless-important', Severity::Notice, "{$override->declarations[$index]->name} wins without !important as well.") : null;
    }

    /** Another override of the sheet, further down, that sets the same on all that this one reaches. */
    private function setAgain(Override $override, OverrideDeclaration $declaration, Sheet $sheet, SurveyResult $result): ?Finding
    {
        $after = false;
        foreach ($sheet->active() as $other) {
            if ($other->id === $override->id) {
                $after = true;

                continue;
            }
            if (! $after || $other->state !== $override->state) {
                continue;
            }
            foreach ($other->active() as $theirs) {
                if ($other->rangeOf($theirs)->contains($override->rangeOf($declaration)) && array_diff($this->declarations->targets($declaration->name), $this->declarations->targets($theirs->name)) === [] && $this->losesEverywhere($declaration, $result)) {
                    return new Finding('dead', Severity::Warning, "{$declaration->name} never shows: {$other->selector}, further down in the sheet, sets it again.");
                }
            }
        }

        return null;
    }

    private function losesEverywhere(OverrideDeclaration $declaration, SurveyResult $result): bool
    {
        $targets = $this->declarations->targets($declaration->name);
        foreach ($result->changes as $change) {
            if (in_array($change->element, $result->reach[$change->page] ?? [], true) && array_intersect($targets, array_keys($change->properties)) !== []) {
                return false;
            }
        }

        return $result->reached() > 0;
    }

    /** @return list<string> the longhands that a shorthand's value really says something about */
    private function written(OverrideDeclaration $declaration): array
    {
        $values = $this->declarations->computedAlone($declaration->name, $declaration->value);

        return array_keys(array_filter($values, fn (string $value, string $property): bool => ! $this->isInitial($property, $value), ARRAY_FILTER_USE_BOTH));
    }

    private function isInitial(string $property, string $value): bool
    {
        $initial = $this->declarations->initialValues();
        $first = static fn (string $text): string => trim(explode(',', $text)[0]);

        return $property === 'background-position'
            ? $first($value) === '0% 0%'
            : $first($value) === $first($initial[$property] ?? '') || ($property === 'background-color' && $value === 'rgba(0, 0, 0, 0)') || ($property === 'background-size' && $first($value) === 'auto');
    }
}
