<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Advice\OverrideAdvice;
use Insignum\Advice\ReadableAdvice;
use Insignum\Effect\Readability;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Style\Declarations;
use Insignum\Style\LayerReader;
use Insignum\Syntax\Finding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Backgrounds and shadows taken apart, and advice on what an override wipes, repeats or doesn't need. */
final class LayerTest extends TestCase
{
    public function test_layers_are_read_from_shorthands_and_longhands(): void
    {
        $layers = (new Declarations)->layers()->backgrounds([
            'background' => 'linear-gradient(to right in oklch, #fff 10%, rgb(0 0 0 / 50%), gold 90%), url("/img/moon.jpg") center / cover no-repeat fixed #123',
            'background-position-x' => '12px, right',
        ]);

        self::assertSame(['name' => 'linear-gradient', 'head' => 'to right in oklch', 'stops' => [['colour' => '#fff', 'at' => '10%'], ['colour' => 'rgb(0 0 0 / 50%)', 'at' => ''], ['colour' => 'gold', 'at' => '90%']]], $layers[0]['gradient']);
        self::assertSame([null, '/img/moon.jpg'], array_column($layers, 'address'));
        self::assertSame(['auto', 'cover'], array_column($layers, 'size'));
        self::assertSame(['12px', 'right'], array_map(static fn (array $l): string => $l['position'][0], $layers));
        self::assertSame(['repeat', 'no-repeat'], array_column($layers, 'repeat'));
        self::assertSame(['scroll', 'fixed'], array_column($layers, 'attachment'));
        self::assertSame([], (new Declarations)->layers()->backgrounds(['background' => 'none', 'color' => 'red']));
    }

    public function test_shadows_are_read(): void
    {
        self::assertSame([
            ['x' => '0', 'y' => '2px', 'blur' => '6px', 'spread' => '0', 'colour' => 'rgb(0 0 0 / 20%)', 'inset' => false],
            ['x' => '1px', 'y' => '1px', 'blur' => '0', 'spread' => '0', 'colour' => 'currentcolor', 'inset' => true],
        ], LayerReader::shadows('0 2px 6px rgb(0 0 0 / 20%), inset 1px 1px'));
    }

    /** @return iterable<string, array{string, list<array{string, string, bool}>, list<array{0: int, 1: string, 2?: string}>}> the theme, the lines, the findings by line, with their fixes */
    public static function lines(): iterable
    {
        yield 'a shorthand wipes an image' => ['.a { background: url(sky.png) center / cover }', [['background', 'gold', false]], [[0, 'wipes', 'background-color']]];
        yield 'a shorthand of more than a colour wipes, and is no longhand' => ['.a { background: url(sky.png) center / cover }', [['background', 'url(/img/a.png) gold', false]], [[0, 'wipes']]];
        yield 'a longhand does not' => ['.a { background: url(sky.png) }', [['background-color', 'gold', false]], []];
        yield 'a shorthand where nothing was' => ['.a { color: red }', [['background', 'gold', false]], []];
        yield 'a width that is said, and no other than browsers begin with, is not reset' => ['.a { border-bottom: 1px solid red }', [['border-bottom', '3px solid gold', false]], []];
        yield 'a width that is not said is' => ['.a { border-bottom: 9px solid red }', [['border-bottom', 'dotted gold', false]], [[0, 'wipes']]];
        yield 'four sides that are all said reset nothing' => ['.a { margin: 20px }', [['margin', '0 auto', false]], []];
        yield 'none is meant' => ['.a { border: 1px solid red; background: url(sky.png) #123 }', [['border', 'none', false], ['background', 'none', false]], []];
        yield 'a line that a later one sets again' => ['', [['border-left', '1px solid red', false], ['border', '2px solid blue', false]], [[0, 'wiped']]];
        yield 'importance that is not needed' => ['.a { color: red }', [['color', 'gold', true]], [[0, 'needless-important']]];
        yield 'importance that is' => ['.a { color: red !important }', [['color', 'gold', true]], []];
        yield 'an image that is not there' => ['', [['background-image', 'url("/img/none.png")', false]], [[0, 'missing-image']]];
        yield 'an image that is' => ['', [['background-image', 'url(/img/a.png)', false]], []];
    }

    /**
     * @param  list<array{string, string, bool}>  $lines
     * @param  list<array{0: int, 1: string, 2?: string}>  $expected
     */
    #[DataProvider('lines')]
    public function test_advice_on_an_override(string $theme, array $lines, array $expected): void
    {
        $site = SiteFixture::one('<p class="a">x</p>', $theme);
        $override = new Override('o1', '.a', array_map(static fn (array $l): OverrideDeclaration => new OverrideDeclaration($l[0], $l[1], $l[2]), $lines));
        $survey = $site->survey();
        $advice = new OverrideAdvice($survey, $site->declarations, static fn (string $address): bool => $address === '/img/a.png');
        $found = $advice->on($override, new Sheet, $survey->of($override, new Sheet));

        self::assertSame($expected, array_map(static fn (int $i, Finding $f): array => array_filter([$i, $f->code, $f->fix], static fn (mixed $x): bool => $x !== null), array_keys($found), $found));
    }

    public function test_a_line_that_another_override_sets_again_is_dead(): void
    {
        $site = SiteFixture::one('<p class="a">x</p>', '');
        $override = SiteFixture::override('.a', ['color' => 'gold']);
        $other = new Override('o2', 'p.a', [new OverrideDeclaration('color', 'teal')]);
        $survey = $site->survey();
        $advice = new OverrideAdvice($survey, $site->declarations, static fn (): bool => true);
        $on = static fn (Sheet $sheet): array => array_map(static fn (Finding $f): string => $f->code, $advice->on($override, $sheet, $survey->of($override, $sheet)));

        self::assertSame(['dead'], $on(new Sheet([$override, $other])));
        self::assertSame([], $on(new Sheet([new Override('o2', '.a', $other->declarations), $override])));
        $found = $advice->on($override, $sheet = new Sheet([$other, $override]), $survey->of($override, $sheet));
        self::assertStringContainsString('p.a, which is stronger', $found[0]->message);

        $elsewhere = new Override('o3', '.b', [new OverrideDeclaration('color', 'red')]);
        $found = $advice->on($override, $sheet = new Sheet([$override, $elsewhere, $other]), $survey->of($override, $sheet));
        self::assertStringContainsString('p.a, further down in the sheet', $found[0]->message);
        self::assertSame([], $on(new Sheet([$override, $elsewhere])));
    }

    public function test_everything_in_a_dark_box_is_made_readable_by_the_least(): void
    {
        $site = SiteFixture::one('<div class="a">x <p>y</p></div><div class="b"><h2>t</h2><p>u</p></div>', 'body { color: #222; background: #fff } .b h2, .b p { color: #333 }');
        $survey = $site->survey();
        $readability = new Readability(static fn (): ?array => null);
        $on = static function (string $selector) use ($survey, $readability): ?array {
            $override = SiteFixture::override($selector, ['background-color' => '#111']);
            $result = $survey->of($override, new Sheet);

            return (new ReadableAdvice($survey, $readability))->on($override, new Sheet, $result, $readability->of($result));
        };
        $inherited = $on('.a') ?? self::fail();
        $own = $on('.b') ?? self::fail();

        self::assertSame(['background-color', 'color'], array_map(static fn (OverrideDeclaration $d): string => $d->name, $inherited[0]->declarations));
        self::assertNull($inherited[1]);
        self::assertSame('.b :is(p, h2)', $own[1]?->selector);
        self::assertNull($on('.none'));
    }
}
