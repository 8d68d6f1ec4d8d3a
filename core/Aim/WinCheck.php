<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Selector\InvalidSelector;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Style\CascadeOrder;
use Insignum\Style\Contender;
use Insignum\Style\Declarations;
use Insignum\Style\Origin;

/** Does an override win on everything it reaches, and if not, by what least raise would it? Each raise is tried, not guessed. */
final class WinCheck
{
    public function __construct(private readonly Survey $survey, private readonly Declarations $declarations)
    {
    }

    public function of(Override $override, Sheet $sheet, SurveyResult $result): Verdict
    {
        $losses = $this->losses($override, $result);
        if ($losses !== []) {
            foreach ($this->raises($override, $losses, $result) as [$raised, $words]) {
                try {
                    $tried = $this->survey->of($raised, $sheet);
                } catch (InvalidSelector) {
                    continue;
                }
                if ($tried->reach === $result->reach && $this->losses($raised, $tried) === []) {
                    return new Verdict($losses, $raised, $words, null, '');
                }
            }

            return new Verdict($losses, null, '', null, '');
        }
        [$beaten, $by] = $this->beaten($override, $result);

        return new Verdict([], null, '', $beaten, $by);
    }

    /** @return list<Loss> one for each property and winning rule */
    private function losses(Override $override, SurveyResult $result): array
    {
        $found = [];
        foreach ($result->after as $path => $styles) {
            foreach ($result->reach[$path] as $element) {
                $winners = $styles->cascade->winners($element);
                foreach ($this->properties($override) as $property) {
                    $winner = $winners[$property] ?? null;
                    if ($winner === null || $this->isOurs($winner[1]?->sheet->path)) {
                        continue;
                    }
                    $contenders = $styles->cascade->contenders($element, $property);
                    $ours = $this->ours($contenders);
                    if ($ours === null) {
                        continue;
                    }
                    $key = $property.'|'.($winner[1] === null ? 'inline' : $winner[1]->order);
                    $found[$key] ??= [$property, $contenders[0], CascadeOrder::decider($contenders[0]->key, $ours->key), 0];
                    $found[$key][3]++;
                }
            }
        }

        return array_map(static fn (array $f): Loss => new Loss(...$f), array_values($found));
    }

    /**
     * From the smallest change on; `!important` only where nothing less can win.
     *
     * @param  non-empty-list<Loss>  $losses
     * @return iterable<array{Override, string}>
     */
    private function raises(Override $override, array $losses, SurveyResult $result): iterable
    {
        $needsImportance = array_filter($losses, static fn (Loss $l): bool => in_array($l->by, ['importance', 'inline', 'origin'], true)) !== [];
        if (! $needsImportance) {
            $subject = preg_match('/(?:\.[-\w]+|\[[^\]]+\])(?=[^.#\[\s>+~]*\z)/', $override->selector, $m) ? $m[0] : '';
            foreach ($this->sharedAncestors($result) as $compound) {
                yield [$override->withSelector("$compound {$override->selector}"), "start it with $compound"];
            }
            for ($times = 1; $subject !== '' && $times <= 3; $times++) {
                $doubled = (string) preg_replace('/'.preg_quote($subject, '/').'(?=[^.#\[\s>+~]*\z)/', str_repeat($subject, $times + 1), $override->selector);
                yield [$override->withSelector($doubled), $times === 1 ? "write $subject twice" : 'write '.$subject.' '.($times + 1).' times'];
            }
        }
        $losing = array_map(static fn (Loss $l): string => $l->property, $losses);
        $important = array_map(fn (OverrideDeclaration $d): OverrideDeclaration => array_intersect($this->declarations->targets($d->name), $losing) === []
            ? $d
            : new OverrideDeclaration($d->name, $d->value, true, $d->enabled), $override->declarations);
        yield [$override->withDeclarations($important), 'mark it !important, as what it is up against is marked so or stands in the page itself'];
    }

    /** @return list<string> lasting classes that every reached element has an ancestor with, the plainest first */
    private function sharedAncestors(SurveyResult $result): array
    {
        $judge = LifetimeJudge::byForm();
        $shared = null;
        foreach ($result->after as $path => $styles) {
            $page = $styles->page;
            foreach ($result->reach[$path] as $element) {
                $classes = [];
                foreach (array_slice($page->line($element), 0, -1) as $ancestor) {
                    foreach ($page->classes[$ancestor] as $class) {
                        if ($judge->judge($class) === Lifetime::Lasting) {
                            $classes['.'.\Insignum\Syntax\Ident::escape($class)] = true;
                        }
                    }
                }
                $shared = $shared === null ? $classes : array_intersect_key($shared, $classes);
            }
        }

        return array_slice(array_keys($shared ?? []), 0, 4);
    }

    /** @return array{?Contender, string} the strongest rule of the theme that an override beats, and by what */
    private function beaten(Override $override, SurveyResult $result): array
    {
        foreach ($result->after as $path => $styles) {
            foreach ($result->reach[$path] as $element) {
                foreach ($this->properties($override) as $property) {
                    $contenders = $styles->cascade->contenders($element, $property);
                    $ours = $this->ours($contenders);
                    foreach ($contenders as $contender) {
                        if ($ours !== null && $contender->origin === Origin::Author && ! $this->isOurs($contender->entry?->sheet->path)) {
                            return [$contender, CascadeOrder::decider($ours->key, $contender->key)];
                        }
                    }
                }
            }
        }

        return [null, ''];
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
