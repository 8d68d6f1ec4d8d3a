<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\Contrast;
use Insignum\Colour\Space;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ColourTest extends TestCase
{
    /** @return iterable<array{string, ?string}> */
    public static function colours(): iterable
    {
        yield from [
            ['RebeccaPurple', 'rgb(102, 51, 153)'], ['#abc', 'rgb(170, 187, 204)'], ['#11223380', 'rgba(17, 34, 51, 0.5)'], ['rgb(50% 0% 100% / 25%)', 'rgba(128, 0, 255, 0.25)'],
            ['rgb(255, 0, 0, .5)', 'rgba(255, 0, 0, 0.5)'], ['hsl(0.5turn 100% 25%)', 'rgb(0, 128, 128)'], ['hwb(120 0% 49.8%)', 'rgb(0, 128, 0)'], ['lab(50 20 -30)', 'lab(50 20 -30)'],
            ['oklch(70% 0.1 calc(100deg * 2))', 'oklch(0.7 0.1 200)'], ['color(display-p3 1 0 0)', 'color(display-p3 1 0 0)'], ['oklch(0.5 none 20)', 'oklch(0.5 none 20)'],
            ['color-mix(in oklch, white, black)', 'oklch(0.499997 0.0000248565 none)'], ['rgb(from #102030 b g r)', 'color(srgb 0.188235 0.12549 0.0627451)'],
            ['#12345', null], ['rgb(1, 2)', null], ['rgb(1 2, 3)', null], ['hsl(1, 2, 3)', null], ['colour', null], ['red blue', null], ['color(mauve 1 1 1)', null],
        ];
    }

    #[DataProvider('colours')]
    public function test_every_notation(string $text, ?string $expected): void
    {
        $colour = ColourSyntax::fixed($text);

        self::assertSame($expected, $colour === null ? null : (string) $colour);
    }

    public function test_conversions_there_and_back_are_the_same(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 60; $i++) {
            $colour = Colour::rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255));
            foreach (Space::cases() as $space) {
                self::assertSame($colour->bytes(), $colour->to($space)->bytes(), "{$colour} by way of {$space->value}");
            }
        }
    }

    public function test_contrast_is_that_of_the_standard(): void
    {
        self::assertEqualsWithDelta(21.0, Contrast::ratio(Colour::black(), Colour::white()), 0.001);
        self::assertEqualsWithDelta(4.478, Contrast::ratio(Colour::rgb(119, 119, 119), Colour::white()), 0.001);
        self::assertEqualsWithDelta(3.95, Contrast::ratio(Colour::rgb(0, 0, 0, 0.5), Colour::white()), 0.001);
        self::assertSame([3.0, 3.0, 4.5], [Contrast::needed(24, 400), Contrast::needed(19, 700), Contrast::needed(19, 400)]);
    }

    public function test_the_nearest_passing_colour_passes_and_is_near(): void
    {
        mt_srand(11);
        for ($i = 0; $i < 40; $i++) {
            $text = Colour::rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255));
            $behind = Colour::rgb(mt_rand(0, 255), mt_rand(0, 255), mt_rand(0, 255));
            $nearest = Contrast::nearestPassing($text, [$behind], 4.5);
            if ($nearest === null) {
                self::assertLessThan(4.6, max(Contrast::ratio(Colour::black(), $behind), Contrast::ratio(Colour::white(), $behind)));

                continue;
            }
            self::assertGreaterThanOrEqual(4.5, Contrast::ratio($nearest, $behind));
            if (Contrast::ratio($text, $behind) >= 4.5) {
                self::assertEqualsWithDelta($text->in(Space::Oklch)[0], $nearest->in(Space::Oklch)[0], 0.006);
            }
        }
    }
}
