<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Asset;
use Insignum\Advice\DeclarationAdvice;
use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\Contrast;
use Insignum\Colour\Space;
use Insignum\Effect\Covered;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Image\Fit;
use Insignum\Selector\Wear;
use Insignum\Sheet\Override;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetReader;
use Insignum\Sheet\SheetWriter;
use Insignum\Style\Condition;
use Insignum\Style\KnownProperties;
use Insignum\Style\PaletteReader;
use Insignum\Style\Property;
use Insignum\Syntax\Parser;

/** What the editors of the bench ask for: colours, images in their box, CSS that was typed, and the words to complete it with. */
final class EditReport
{
    /** So many names are offered of each kind. */
    private const WORDS = 2000;

    public function __construct(private readonly SiteEngine $engine)
    {
    }

    /**
     * A colour in the terms of the picker, and against what is behind it.
     *
     * @param  list<string>  $behind  colours in any notation
     * @return ?array<string, mixed> null where the value is no colour by itself
     */
    public function colour(string $value, array $behind, float $needed, bool $isMerged = false): ?array
    {
        $colour = ColourSyntax::fixed($value);
        if ($colour === null) {
            return null;
        }
        [$lightness, $chroma, $hue] = $colour->in(Space::Oklch);
        $grounds = array_values(array_filter(array_map(ColourSyntax::fixed(...), $behind)));
        $lowest = self::lowest($colour, $grounds);

        return [
            'lightness' => round($lightness, 4),
            'chroma' => round($chroma, 4),
            'hue' => round($hue, 2),
            'alpha' => round($colour->opacity(), 4),
            'hex' => $colour->hex().($colour->opacity() < 1 ? sprintf('%02x', (int) round($colour->opacity() * 255)) : ''),
            'inGamut' => max(array_map(static fn (float $c): float => max(-$c, $c - 1), $colour->in(Space::Srgb))) < 0.0005,
            'ratio' => $lowest === null ? null : round($lowest, 2),
            'nearest' => $grounds === [] || $lowest >= $needed ? null : Contrast::nearestPassing($colour, $grounds, $needed)?->hex(),
            'palette' => array_map(static fn ($p): array => ['hex' => $p->colour->hex(), 'colour' => (string) $p->colour, 'uses' => $p->uses, 'variable' => $p->variable, 'ratio' => ($ratio = self::lowest($p->colour, $grounds)) === null ? null : round($ratio, 2)], array_slice($isMerged ? PaletteReader::merged($this->engine->palette()) : $this->engine->palette(), 0, 32)),
        ];
    }

    /** @param  list<Colour>  $grounds */
    private static function lowest(Colour $colour, array $grounds): ?float
    {
        return $grounds === [] ? null : min(array_map(static fn (Colour $ground): float => Contrast::ratio($colour, $ground), $grounds));
    }

    /**
     * @param  array{float, float}  $box
     * @param  array{float, float}  $point  of the image that matters, as shares of its width and height
     * @return array<string, mixed>
     */
    public function fit(string $address, string $size, string $position, string $repeat, array $box, array $point = [0.5, 0.5]): array
    {
        $image = $this->engine->image($address);
        if ($image === null || $image->width === null || $image->height === null) {
            return ['image' => null, 'fit' => null];
        }
        $computed = $this->engine->declarations->computedAlone('background', "url(x) $position / $size $repeat");
        $fit = $computed === [] ? null : Fit::of($box, [$image->width, $image->height], $computed['background-size'], $computed['background-position-x'].' '.$computed['background-position-y'], $computed['background-repeat']);

        return [
            'image' => self::image($image),
            'fit' => $fit === null ? null : [
                'width' => round($fit->width, 1), 'height' => round($fit->height, 1), 'x' => round($fit->x, 1), 'y' => round($fit->y, 1),
                'scale' => round($fit->scale, 3), 'tiles' => $fit->tiles, 'cropped' => round($fit->cropped, 3), 'bare' => round($fit->bare, 3),
                'subject' => $fit->subject(...$point),
            ],
        ];
    }

    /**
     * How much of a background is hidden by what is in the element, with an override on.
     *
     * @param  list<array{string, float, float, float, float}>  $boxes  path, left, top, width and height, the element's own first
     * @param  list<Wear>  $worn
     * @return array{share: float, by: list<array{label: string, path: string, share: float, count: int}>}
     */
    public function covered(Override $override, Sheet $sheet, string $path, array $boxes, Condition $condition, array $worn): array
    {
        $site = $this->engine->page($path, $condition, [...$worn, ...$override->wears]);
        if ($site === null || $boxes === []) {
            return ['share' => 0.0, 'by' => []];
        }
        $overlay = new Overlay($this->engine->library->compile(SheetWriter::live($sheet->with($override)), Survey::SHEET_PATH));
        $styles = $overlay->on($site->theme());
        $inside = [];
        foreach (array_slice($boxes, 1) as [$at, $x, $y, $width, $height]) {
            $element = $site->page->at($at);
            if ($element !== null) {
                $inside[$element] = [$x, $y, $width, $height];
            }
        }
        ksort($inside);
        $covered = Covered::of($styles, array_slice($boxes[0], 1), $inside);
        $by = [];
        foreach ($covered->by as $element => $share) {
            $label = ElementReport::label($site->page, $element);
            $by[$label] ??= ['label' => $label, 'path' => $site->page->path($element), 'share' => 0.0, 'count' => 0];
            $by[$label]['share'] = round($by[$label]['share'] + $share, 3);
            $by[$label]['count']++;
        }

        return ['share' => round($covered->share, 3), 'by' => array_slice(array_values($by), 0, 4)];
    }

    /** @return array{path: string, width: ?int, height: ?int, bytes: int, samples: list<string>} */
    public static function image(Asset $image): array
    {
        return ['path' => $image->path, 'width' => $image->width, 'height' => $image->height, 'bytes' => $image->bytes, 'samples' => array_slice($image->samples ?? [], 0, 12)];
    }

    /**
     * Typed CSS as an override, and what is to be said about it, by place.
     *
     * @return array{override: ?array<string, mixed>, findings: list<array<string, mixed>>}
     */
    public function css(string $css): array
    {
        $parsed = Parser::stylesheet($css);
        $findings = [];
        foreach ($parsed->findings as $finding) {
            $findings[] = ['from' => $finding->start, 'to' => max($finding->end, $finding->start + 1), 'severity' => $finding->severity->value, 'message' => $finding->message, 'fix' => null];
        }
        $entries = SheetReader::read($css, static fn (): string => '')->entries;
        $override = count($entries) === 1 && $entries[0] instanceof Override ? $entries[0] : null;
        $advice = new DeclarationAdvice($this->engine->declarations);
        $walk = function (array $nodes) use (&$walk, &$findings, $advice): void {
            foreach ($nodes as $node) {
                if ($node instanceof \Insignum\Syntax\Declaration) {
                    $finding = $advice->on($node->name, $node->value, $node->start, $node->end);
                    if ($finding !== null) {
                        $findings[] = ['from' => $finding->start, 'to' => $finding->end, 'severity' => $finding->severity->value, 'message' => $finding->message, 'fix' => $finding->fix];
                    }
                } elseif ($node instanceof \Insignum\Syntax\Rule || $node instanceof \Insignum\Syntax\AtRule) {
                    $walk($node instanceof \Insignum\Syntax\Rule ? $node->children() : $node->children ?? []);
                }
            }
        };
        $walk($parsed->children);

        return ['override' => $override === null ? null : OverrideReport::fields($override), 'findings' => $findings];
    }

    /** @return array<string, mixed> the words that typed CSS is completed with */
    public function vocabulary(): array
    {
        $names = function (string $column): array {
            $found = [];
            foreach ($this->engine->pages() as $page) {
                $found += $column === 'id' ? $page->byId : $page->byClass;
            }

            return array_slice(array_map(strval(...), array_keys($found)), 0, self::WORDS);
        };
        $variables = [];
        foreach ($this->engine->library->all() as $sheet) {
            foreach ($sheet->rules() as $rule) {
                foreach ($rule->declarations() as $declaration) {
                    if (str_starts_with($declaration->name, '--')) {
                        $variables[$declaration->name] ??= $declaration->value;
                    }
                }
            }
        }

        return [
            'properties' => KnownProperties::all(),
            'keywords' => array_filter(array_map(static fn (Property $p): array => $p->keywords, $this->engine->declarations->table->all())),
            'classes' => $names('class'),
            'ids' => $names('id'),
            'variables' => $variables,
            'colours' => array_map(static fn ($p): string => $p->colour->hex(), array_slice($this->engine->palette(), 0, 32)),
        ];
    }
}
