<?php

declare(strict_types=1);

namespace Insignum\Effect;

use Insignum\Colour\Colour;
use Insignum\Colour\Contrast;
use Insignum\Style\PageStyles;

/** Contrast of every text that a change bears on, before and after: WCAG 2.2, 1.4.3. */
final class Readability
{
    /** The properties that contrast hangs on. */
    private const BEARING = ['color', 'background-color', 'background-image', 'opacity', 'font-size', 'font-weight'];

    /** @param  \Closure(string): ?list<Colour>  $sample */
    public function __construct(private readonly \Closure $sample)
    {
    }

    /** @return list<Reading> of all texts that an override's changes bear on, the worst first */
    public function of(SurveyResult $result): array
    {
        $readings = [];
        foreach ($result->after as $path => $after) {
            $changed = [];
            foreach ($result->changes as $change) {
                if ($change->page === $path && array_intersect(self::BEARING, array_keys($change->properties)) !== []) {
                    $changed[] = $change->element;
                }
            }
            array_push($readings, ...$this->between($path, $result->before[$path], $after, $changed));
        }
        usort($readings, static fn (Reading $a, Reading $b): int => $a->after / $a->needed <=> $b->after / $b->needed);

        return $readings;
    }

    /**
     * @param  list<int>  $changed  elements whose colours changed; texts in them are looked at
     * @return list<Reading> one for each element with text of its own
     */
    public function between(string $path, PageStyles $before, PageStyles $after, array $changed): array
    {
        $page = $after->page;
        $texts = [];
        foreach ($changed as $element) {
            for ($i = $element; $i < $page->ends[$element]; $i++) {
                if ($page->texts[$i] !== '' && ! isset($texts[$i]) && $this->isShown($after, $i)) {
                    $texts[$i] = true;
                }
            }
        }
        ksort($texts);
        $was = new Backdrop($before, $this->sample);
        $is = new Backdrop($after, $this->sample);
        $readings = [];
        foreach (array_keys($texts) as $element) {
            $readings[] = $this->reading($path, $before, $after, $was, $is, $element);
        }

        return $readings;
    }

    private function reading(string $path, PageStyles $before, PageStyles $after, Backdrop $was, Backdrop $is, int $element): Reading
    {
        $style = $after->style($element);
        $behind = $is->behind($element);
        $needed = Contrast::needed($style->fontSize, (int) $style->values['font-weight']);
        $text = $this->textColour($after, $element);
        $ratio = $behind->lowest($text);

        return new Reading(
            $path,
            $element,
            $was->behind($element)->lowest($this->textColour($before, $element)),
            $ratio,
            $needed,
            $text,
            $behind,
        );
    }

    /** With the opacity of the element, which fades its text into what is behind. */
    private function textColour(PageStyles $styles, int $element): Colour
    {
        $style = $styles->style($element);

        return $style->colour->withOpacity($style->colour->opacity() * (float) $style->values['opacity']);
    }

    private function isShown(PageStyles $styles, int $element): bool
    {
        foreach ($styles->page->line($element) as $ancestor) {
            if ($styles->style($ancestor)->values['display'] === 'none') {
                return false;
            }
        }

        return $styles->style($element)->values['visibility'] === 'visible';
    }
}
