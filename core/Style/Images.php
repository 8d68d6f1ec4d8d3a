<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Style\Value\Keyword;
use Insignum\Style\Value\Sequence;
use Insignum\Style\Value\Specified;
use Insignum\Style\Value\Url;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/** Images: addresses, gradients and image sets, CSS Images 4, sections 2 and 3. */
final class Images
{
    private const GRADIENTS = '/\A(?:-webkit-)?(?:repeating-)?(?:linear|radial|conic)-gradient\z/';

    public function __construct(private readonly Grammar $grammar)
    {
    }

    public function parse(Component $c): ?Specified
    {
        if ($c->isIdent('none')) {
            return new Keyword('none');
        }
        if ($c->type === TokenType::URL) {
            return new Url($c->text);
        }
        if ($c->type !== TokenType::FUNCTION) {
            return null;
        }
        $name = $c->keyword();
        if ($name === 'url' || $name === 'src') {
            $inside = Components::dense($c->children);

            return ($inside[0] ?? null)?->type === TokenType::STRING ? new Url($inside[0]->text) : null;
        }
        if (preg_match(self::GRADIENTS, $name)) {
            return $this->gradient($name, $c);
        }
        if ($name === 'image-set' || $name === '-webkit-image-set') {
            return $this->imageSet($c);
        }

        return in_array($name, ['-webkit-gradient', '-webkit-cross-fade', 'element', 'paint', 'image'], true) ? new Keyword($c->raw) : null;
    }

    private function gradient(string $name, Component $c): ?Specified
    {
        $parts = array_map(Components::dense(...), Components::split($c->children));
        $isConic = str_contains($name, 'conic');
        $head = $this->stop($parts[0], $isConic) === null ? array_shift($parts) : null;
        // Without a direction the prefixed form says the one it has by default, as browsers write it.
        $default = preg_match('/\A-webkit-(?:repeating-)?linear/', $name) ? [new Keyword('top')] : [];
        $written = $head === null ? $default : $this->head($name, $head);
        if ($written === null || $parts === []) {
            return null;
        }
        $stops = [];
        foreach ($parts as $part) {
            $stop = $this->stop($part, $isConic);
            if ($stop === null) {
                return null;
            }
            array_push($stops, ...$stop);
        }

        return new Sequence($written === [] ? $stops : [new Sequence($written, ' '), ...$stops], ', ', $name);
    }

    /**
     * A colour with up to two positions (written as two stops), or a bare position: a hint.
     *
     * @param  list<Component>  $part
     * @return ?list<Specified>
     */
    private function stop(array $part, bool $isConic): ?array
    {
        $colour = null;
        $positions = [];
        foreach ($part as $c) {
            $position = $isConic ? ($this->grammar->numeric($c, 'deg', '%') ?? ($c->type === TokenType::NUMBER && $c->number == 0.0 ? new Keyword('0deg') : null)) : $this->grammar->lengthOrPercentage($c);
            if ($position !== null) {
                $positions[] = $position;
            } elseif ($colour === null && ($colour = $this->grammar->colour([$c])) !== null) {
                continue;
            } else {
                return null;
            }
        }
        if ($colour === null) {
            return count($positions) === 1 ? $positions : null;
        }
        if (count($positions) > 2) {
            return null;
        }

        return $positions === [] ? [$colour] : array_map(static fn (Specified $position): Specified => new Sequence([$colour, $position], ' '), $positions);
    }

    /**
     * What stands before the stops, without what is the default; null where it is invalid.
     *
     * @param  list<Component>  $head
     * @return ?list<Specified>
     */
    private function head(string $name, array $head): ?array
    {
        $space = $this->interpolation($head);
        if ($space === null) {
            return null;
        }
        $written = match (true) {
            str_starts_with($name, '-webkit-') => $this->verbatim($head),
            str_contains($name, 'linear') => $this->direction($head),
            str_contains($name, 'radial') => $this->radial($head),
            default => $this->conic($head),
        };

        return $written === null ? null : [...$written, ...$space];
    }

    /**
     * Takes `in SPACE [METHOD hue]` out of the head.
     *
     * @param  list<Component>  $head
     * @return ?list<Specified>
     */
    private function interpolation(array &$head): ?array
    {
        foreach ($head as $i => $c) {
            if (! $c->isIdent('in')) {
                continue;
            }
            if (! isset($head[$i + 1])) {
                return null;
            }
            $length = isset($head[$i + 3]) && $head[$i + 3]->isIdent('hue') ? 4 : 2;
            $words = array_splice($head, $i, $length);

            return array_map(static fn (Component $word): Specified => new Keyword($word->keyword()), $words);
        }

        return [];
    }

    /**
     * @param  list<Component>  $head
     * @return list<Specified>
     */
    private function verbatim(array $head): array
    {
        return array_map(fn (Component $c): Specified => $this->grammar->lengthOrPercentage($c) ?? $this->grammar->numeric($c, 'deg') ?? new Keyword($c->raw), $head);
    }

    /**
     * @param  list<Component>  $head
     * @return ?list<Specified>
     */
    private function direction(array $head): ?array
    {
        if ($head === []) {
            return [];
        }
        if (count($head) === 1) {
            $angle = $this->grammar->numeric($head[0], 'deg') ?? ($head[0]->type === TokenType::NUMBER && $head[0]->number == 0.0 ? new Keyword('0deg') : null);

            return $angle === null ? null : ($head[0]->number == 180.0 && $head[0]->unit === 'deg' ? [] : [$angle]);
        }
        $words = array_map(static fn (Component $c): string => $c->keyword(), array_slice($head, 1));
        $across = array_values(array_intersect(['left', 'right'], $words));
        $down = array_values(array_intersect(['top', 'bottom'], $words));
        if (! $head[0]->isIdent('to') || count($across) > 1 || count($down) > 1 || count($across) + count($down) !== count($words)) {
            return null;
        }

        return $words === ['bottom'] ? [] : array_map(static fn (string $word): Specified => new Keyword($word), ['to', ...$across, ...$down]);
    }

    /**
     * @param  list<Component>  $head
     * @return ?list<Specified>
     */
    private function radial(array $head): ?array
    {
        [$shape, $position] = $this->splitAt($head);
        $written = [];
        $isCircle = false;
        $hasExtent = false;
        foreach ($shape as $c) {
            $size = $this->grammar->lengthOrPercentage($c, 0.0);
            if ($c->isIdent('circle')) {
                $isCircle = true;
            } elseif ($c->isIdent() && in_array($c->keyword(), ['closest-side', 'closest-corner', 'farthest-side', 'farthest-corner'], true)) {
                $hasExtent = true;
                if (! $c->isIdent('farthest-corner')) {
                    $written[] = new Keyword($c->keyword());
                }
            } elseif ($size !== null) {
                $written[] = $size;
            } elseif (! $c->isIdent('ellipse')) {
                return null;
            }
        }
        if ($isCircle && ($written === [] || $hasExtent)) {
            array_unshift($written, new Keyword('circle'));
        }
        $place = $this->position($position);

        return $place === null ? null : [...$written, ...$place];
    }

    /**
     * @param  list<Component>  $head
     * @return ?list<Specified>
     */
    private function conic(array $head): ?array
    {
        [$from, $position] = $this->splitAt($head);
        $place = $this->position($position);
        if ($from === []) {
            return $place;
        }
        $angle = count($from) === 2 && $from[0]->isIdent('from') ? $this->grammar->numeric($from[1], 'deg') : null;
        if ($angle === null || $place === null) {
            return null;
        }

        return $from[1]->number == 0.0 ? $place : [new Keyword('from'), $angle, ...$place];
    }

    /**
     * @param  list<Component>  $head
     * @return array{list<Component>, ?list<Component>} what stands before `at`, and what after it
     */
    private function splitAt(array $head): array
    {
        foreach ($head as $i => $c) {
            if ($c->isIdent('at')) {
                return [array_slice($head, 0, $i), array_slice($head, $i + 1)];
            }
        }

        return [$head, null];
    }

    /**
     * @param  ?list<Component>  $position
     * @return ?list<Specified>
     */
    private function position(?array $position): ?array
    {
        if ($position === null) {
            return [];
        }
        $axes = Position::split($position);
        if ($axes === null) {
            return null;
        }
        $table = new PropertyTable;
        $x = $this->grammar->parse($table->all()['background-position-x'], $axes[0]);
        $y = $this->grammar->parse($table->all()['background-position-y'], $axes[1]);
        $isCentre = array_filter($position, static fn (Component $c): bool => ! $c->isIdent('center')) === [];

        return $x === null || $y === null ? null : ($isCentre ? [] : [new Keyword('at'), $x, $y]);
    }

    private function imageSet(Component $c): ?Specified
    {
        $options = [];
        foreach (array_map(Components::dense(...), Components::split($c->children)) as $part) {
            $first = $part[0] ?? null;
            $image = $first?->type === TokenType::STRING ? new Url($first->text) : ($first === null ? null : $this->parse($first));
            if ($image === null) {
                return null;
            }
            $rest = array_map(fn (Component $word): Specified => $this->grammar->numeric($word, 'dppx') ?? new Keyword($word->raw), array_slice($part, 1));
            $options[] = new Sequence([$image, ...($rest === [] ? [new Keyword('1dppx')] : $rest)], ' ');
        }

        return new Sequence($options, ', ', 'image-set');
    }
}
