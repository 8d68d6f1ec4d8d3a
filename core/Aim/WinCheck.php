<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\SelectorText;
use Insignum\Selector\Specificity;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Style\CascadeOrder;
use Insignum\Style\Contender;
use Insignum\Style\Declarations;
use Insignum\Style\Origin;
use Insignum\Style\PageStyles;
use Insignum\Syntax\Ident;

/** Does an override win on everything it reaches, and if not, by what least raise would it? Each raise is tried, not guessed. */
final class WinCheck
{
    /** So many raises are tried at the most. */
    private const TRIED = 9;

    /** @param  string  $scope  what the site puts in front of all selectors, or nothing */
    public function __construct(private readonly Survey $survey, private readonly Declarations $declarations, private readonly string $scope = '')
    {
    }

    /** @param  int  $offered  so many raises are looked for */
    public function of(Override $override, Sheet $sheet, SurveyResult $result, int $offered = 1): Verdict
    {
        $losses = $this->losses($override, $result);
        if ($losses === []) {
            return new Verdict([], [], ...$this->beaten($override, $result));
        }
        $raises = [];
        $tries = 0;
        foreach ($this->raises($override, $losses, $result) as $raise) {
            if (count($raises) >= $offered || $tries++ >= self::TRIED) {
                break;
            }
            try {
                $tried = $this->survey->of($raise->override, $sheet);
            } catch (InvalidSelector) {
                continue;
            }
            if ($tried->reach === $result->reach && $this->losses($raise->override, $tried) === []) {
                $raises[] = $raise;
            }
        }

        return new Verdict($losses, $raises, null, '');
    }

    /** @return list<Loss> one for each property and winning rule */
    public function losses(Override $override, SurveyResult $result): array
    {
        $found = [];
        $properties = $this->properties($override);
        foreach (self::reached($override, $result) as [$styles, $element, $pseudo]) {
            $winners = $pseudo === null ? $styles->cascade->winners($element) : $styles->cascade->pseudoWinners($element, $pseudo);
            foreach ($properties as $property) {
                $winner = $winners[$property] ?? null;
                if ($winner === null || $this->isOurs($winner[1]?->sheet->path)) {
                    continue;
                }
                $contenders = $styles->cascade->contenders($element, $property, $pseudo);
                $ours = $this->ours($contenders);
                if ($ours === null) {
                    continue;
                }
                $key = $property.'|'.($winner[1] === null ? 'inline' : $winner[1]->order);
                $found[$key] ??= [$property, $contenders[0], CascadeOrder::decider($contenders[0]->key, $ours->key), 0];
                $found[$key][3]++;
            }
        }

        return array_map(static fn (array $f): Loss => new Loss(...$f), array_values($found));
    }

    /**
     * From the smallest change on; `!important` only where nothing less can win.
     *
     * @param  non-empty-list<Loss>  $losses
     * @return iterable<Raise>
     */
    private function raises(Override $override, array $losses, SurveyResult $result): iterable
    {
        $needsImportance = array_filter($losses, static fn (Loss $l): bool => in_array($l->by, ['importance', 'inline', 'origin'], true)) !== [];
        if ($needsImportance) {
            $losing = array_map(static fn (Loss $l): string => $l->property, $losses);
            $important = array_map(fn (OverrideDeclaration $d): OverrideDeclaration => array_intersect($this->declarations->targets($d->name), $losing) === []
                ? $d
                : $d->marked(true), $override->declarations);
            yield new Raise($override->withDeclarations($important), 'mark it !important, as what it is up against is marked so or stands in the page itself');

            return;
        }
        $needed = new Specificity;
        foreach ($losses as $loss) {
            $theirs = $loss->winner->entry->selector->specificity ?? $needed;
            $needed = $loss->by === 'specificity' && $theirs->compare($needed) > 0 ? $theirs : $needed;
        }
        foreach ($this->heavier($override->selector, $this->sharedAncestors($result)) as $selector => $words) {
            $raised = $override->withSelector($selector);
            try {
                $isEnough = SelectorParser::parse($raised->fullSelector())->highest()->compare($needed) >= 0;
            } catch (InvalidSelector) {
                continue;
            }
            if ($isEnough) {
                yield new Raise($raised, $words);
            }
        }
    }

    /**
     * A selector by one part heavier, then by two: by what all its elements are in, or by writing its own part again.
     *
     * @param  list<string>  $around
     * @return iterable<string, string> selectors with the change in words
     */
    private function heavier(string $selector, array $around): iterable
    {
        if ($this->scope !== '' && ! str_contains($selector, $this->scope)) {
            yield self::before($this->scope, $selector) => "start it with the site’s scope, {$this->scope}";
        }
        foreach ($around as $compound) {
            yield self::before($compound, $selector) => "start it with $compound";
        }
        $subject = preg_match('/(?:\.[-\w]+|\[[^\]]+\])(?=[^.#\[\s>+~]*\z)/', $selector, $m) ? $m[0] : '';
        $again = static fn (int $times): string => (string) preg_replace('/'.preg_quote($subject, '/').'(?=[^.#\[\s>+~]*\z)/', str_repeat($subject, $times), $selector);
        $words = ['', '', 'twice', 'three times', 'four times'];
        for ($times = 2; $subject !== '' && $times <= 3; $times++) {
            yield $again($times) => "write $subject {$words[$times]}";
        }
        foreach (array_filter($around, static fn (string $c): bool => $c[0] === '#') as $id) {
            foreach (array_filter($around, static fn (string $c): bool => $c[0] === '.') as $class) {
                yield self::before("$id $class", $selector) => "start it with $id $class";
            }
            for ($times = 2; $subject !== '' && $times <= 4; $times++) {
                yield self::before($id, $again($times)) => "start it with $id and write $subject {$words[$times]}";
            }
        }
    }

    /** In front of each part of a list. */
    private static function before(string $compound, string $selector): string
    {
        return implode(', ', array_map(static fn (string $part): string => "$compound $part", SelectorText::split($selector)));
    }

    /** @return list<string> lasting classes and ids that every reached element has an ancestor with, the nearest first, classes before ids */
    private function sharedAncestors(SurveyResult $result): array
    {
        $judge = LifetimeJudge::byForm();
        $shared = null;
        foreach ($result->after as $path => $styles) {
            $page = $styles->page;
            foreach ($result->reach[$path] as $element) {
                $classes = [];
                foreach (array_reverse(array_slice($page->line($element), 0, -1)) as $ancestor) {
                    foreach ($page->classes[$ancestor] as $class) {
                        if ($judge->judge($class) === Lifetime::Lasting) {
                            $classes['.'.Ident::escape($class)] = true;
                        }
                    }
                    $id = (string) $page->attribute($ancestor, 'id');
                    if ($id !== '' && $judge->judge($id) === Lifetime::Lasting) {
                        $classes['#'.Ident::escape($id)] = true;
                    }
                }
                $shared = $shared === null ? $classes : array_intersect_key($shared, $classes);
            }
        }

        $parts = array_keys($shared ?? []);

        return [...array_slice(array_filter($parts, static fn (string $p): bool => $p[0] === '.'), 0, 3), ...array_slice(array_filter($parts, static fn (string $p): bool => $p[0] === '#'), 0, 1)];
    }

    /** @return array{?Contender, string} the strongest rule of the theme that an override beats, and by what */
    private function beaten(Override $override, SurveyResult $result): array
    {
        $properties = $this->properties($override);
        foreach (self::reached($override, $result) as [$styles, $element, $pseudo]) {
            foreach ($properties as $property) {
                $contenders = $styles->cascade->contenders($element, $property, $pseudo);
                $ours = $this->ours($contenders);
                foreach ($contenders as $contender) {
                    if ($ours !== null && $contender->origin === Origin::Author && ! $this->isOurs($contender->entry?->sheet->path)) {
                        return [$contender, CascadeOrder::decider($ours->key, $contender->key)];
                    }
                }
            }
        }

        return [null, ''];
    }

    /** @return iterable<array{PageStyles, int, ?string}> each element, or its pseudo-element, with the styles of its page */
    public static function reached(Override $override, SurveyResult $result): iterable
    {
        $pseudos = SelectorParser::parse($override->selector)->pseudoElements();
        foreach ($result->after as $path => $styles) {
            foreach ($result->reach[$path] as $element) {
                foreach ($pseudos as $pseudo) {
                    yield [$styles, $element, $pseudo];
                }
            }
        }
    }

    /** @return list<string> the longhands that the override sets */
    private function properties(Override $override): array
    {
        $all = [];
        foreach ($override->active() as $declaration) {
            array_push($all, ...$this->declarations->targets($declaration->name));
        }

        return array_values(array_unique($all));
    }

    /** @param  list<Contender>  $contenders */
    private function ours(array $contenders): ?Contender
    {
        foreach ($contenders as $contender) {
            if ($this->isOurs($contender->entry?->sheet->path)) {
                return $contender;
            }
        }

        return null;
    }

    private function isOurs(?string $path): bool
    {
        return $path === Survey::SHEET_PATH;
    }
}
