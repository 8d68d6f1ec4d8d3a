<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Effect\Cause;
use Insignum\Effect\Change;
use Insignum\Effect\EffectFinder;
use Insignum\Effect\Overlay;
use Insignum\Page\PageReader;
use Insignum\Sheet\Sheet;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\PaletteReader;
use Insignum\Style\Style;
use Insignum\Style\StyleSet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Laying a sheet over a theme must come to what computing it all anew comes to. */
final class OverlayTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function sheets(): iterable
    {
        yield 'inherited' => ['.band { color: teal; font-size: 20px }'];
        yield 'variables' => [':root { --paper: black; --radius: 1em }'];
        yield 'importance and layers' => ['@layer a { .card { color: red !important } } .card { color: blue !important }'];
        yield 'nothing hit' => ['.nope { color: red }'];
        yield 'everything' => ['* { border: 1px solid; color: inherit }'];
        yield 'width' => ['@media (max-width: 500px) { p { color: red } } @media (min-width: 501px) { p { color: blue } }'];
        yield 'pseudo-elements and nesting' => ['.card { &::before { content: "x"; color: red } h3 { color: green } }'];
        yield 'the root’s size' => ['html { font-size: 10px }'];
    }

    private function theme(string $page = 'index', ?MemoryLibrary &$library = null, ?Declarations &$declarations = null): PageStyles
    {
        $demo = dirname(__DIR__, 2).'/demo';
        $declarations = new Declarations;
        $library = new MemoryLibrary(['/css/orrery.css' => (string) file_get_contents("$demo/theme/css/orrery.css")], $declarations);
        $html = str_replace('{content}', (string) file_get_contents("$demo/pages/$page.html"), (string) file_get_contents("$demo/layout.html"));
        $read = PageReader::read($html);

        return PageStyles::of($read, "/$page.html", StyleSet::of($read, "/$page.html", $library), new Condition, $declarations);
    }

    #[DataProvider('sheets')]
    public function test_an_overlay_is_the_same_as_computing_all_of_it(string $css): void
    {
        $theme = $this->theme('membership', $library, $declarations);
        $sheet = $library->compile($css, '/o.css');
        $laid = (new Overlay($sheet))->on($theme);
        $whole = PageStyles::of($theme->page, '/membership.html', $theme->set->plus($sheet), new Condition, $declarations);

        self::assertSame(array_map(static fn (Style $s): array => [$s->values, $s->custom], $whole->all()), array_map(static fn (Style $s): array => [$s->values, $s->custom], $laid->all()));
        foreach ($laid->matching->touchedPseudo()['before'] ?? [] as $element) {
            self::assertSame($whole->pseudo($element, 'before')?->values, $laid->pseudo($element, 'before')?->values);
        }
    }

    public function test_what_is_not_touched_keeps_the_very_same_style(): void
    {
        $theme = $this->theme('index', $library);
        $laid = (new Overlay($library->compile('.tone-night .quote { color: gold }', '/o.css')))->on($theme);
        $changed = array_keys(array_filter($laid->all(), static fn (Style $s, int $e): bool => $s !== $theme->style($e), ARRAY_FILTER_USE_BOTH));

        self::assertSame(['blockquote', 'cite'], array_map(static fn (int $e): string => $theme->page->tags[$e], $changed));
    }

    public function test_packing_and_unpacking_is_the_same(): void
    {
        $theme = $this->theme('index', $library, $declarations);
        $again = PageStyles::unpack(unserialize(serialize($theme->pack()), ['allowed_classes' => false]), $theme->page, '/index.html', $theme->set, new Condition, $declarations);
        $sheet = $library->compile('.card { padding: 1rem; color: currentcolor } h2 { font-size: 2em }', '/o.css');

        self::assertEquals(array_map(static fn (Style $s): array => $s->tracked(), $theme->all()), array_map(static fn (Style $s): array => $s->tracked(), $again->all()));
        self::assertEquals(
            array_map(static fn (Style $s): array => $s->values, (new Overlay($sheet))->on($theme)->all()),
            array_map(static fn (Style $s): array => $s->values, (new Overlay($sheet))->on($again)->all()),
        );
    }

    public function test_a_pseudo_element_that_changes_is_told(): void
    {
        $theme = $this->theme('index', $library, $declarations);
        $after = (new Overlay($library->compile('.card::before { content: "*"; color: red }', '/o.css')))->on($theme);
        $changes = (new EffectFinder($declarations->table))->between('index.html', $theme, $after, [], []);

        self::assertSame(['before'], array_values(array_unique(array_map(static fn ($c): ?string => $c->pseudo, $changes))));
        self::assertSame(Cause::Matched, $changes[0]->cause);
        self::assertSame('rgb(255, 0, 0)', $changes[0]->properties['color'][1]);
    }

    public function test_colours_that_show_nowhere_are_left_aside_where_asked(): void
    {
        $theme = $this->theme('index', $library, $declarations);
        $after = (new Overlay($library->compile('main { color: red }', '/o.css')))->on($theme);
        $all = (new EffectFinder($declarations->table))->between('index.html', $theme, $after, [], []);
        $visible = (new EffectFinder($declarations->table, visibleOnly: true))->between('index.html', $theme, $after, [], []);

        self::assertGreaterThan(count($visible), count($all));
        foreach ($visible as $change) {
            self::assertArrayNotHasKey('outline-color', $change->properties);
        }
    }

    /** @return iterable<string, array{string, string, list<string>}> the override's declarations on .a, those of the theme, and what changes, by the ids of the elements */
    public static function carried(): iterable
    {
        yield 'a property without a computed value here' => ['transform: rotate(2deg)', '', ['a transform: not set > rotate(2deg)']];
        yield 'the same, written another way' => ['flex-direction:  COLUMN', 'flex-direction: column', []];
        yield 'an inherited one, in a drawing' => ['fill: gold', '', ['d fill: not set > gold', 'e fill: not set > gold']];
        yield 'through a custom property' => ['filter: var(--f)', '--f: blur(2px); filter: none', ['a filter: none > blur(2px)']];
        yield 'taken back' => ['mix-blend-mode: initial', 'mix-blend-mode: multiply', ['a mix-blend-mode: multiply > not set']];
        yield 'what is not seen at rest' => ['transition: all 1s', '', []];
        yield 'text below is hyphenated, and what has none is not' => ['hyphens: auto', '', ['a hyphens: not set > auto', 't hyphens: not set > auto', 'd hyphens: not set > auto', 'e hyphens: not set > auto']];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('carried')]
    public function test_properties_that_are_carried_as_written_change_too(string $lines, string $theme, array $expected): void
    {
        $site = SiteFixture::one('<div class="a" id="a">x<div id="w"><b id="t">y</b></div><svg id="d"><path id="e" stroke="red"/></svg></div>', ".a { $theme }");
        [$name, $value] = explode(':', $lines, 2);
        $changes = $site->survey()->of(SiteFixture::override('.a', [$name => $value]), new Sheet)->changes;
        $told = [];
        foreach ($changes as $change) {
            foreach ($change->properties as $property => [$before, $after]) {
                $told[] = $site->pages['index.html']->attribute($change->element, 'id')." $property: $before > $after";
            }
        }

        self::assertSame($expected, $told);
    }

    public function test_what_is_put_before_an_element_shows_its_colour(): void
    {
        $site = SiteFixture::one('<div class="a"><i class="icon" id="i"></i><i id="none"></i></div>', '.icon::before { content: "\\2605" } i::before { font-size: 2em }');
        $changes = $site->survey()->of(SiteFixture::override('.a', ['color' => 'red']), new Sheet)->changes;

        self::assertSame(['i'], array_map(static fn (Change $c): ?string => $site->pages['index.html']->attribute($c->element, 'id'), $changes));
    }

    public function test_an_override_is_judged_where_it_stands_in_the_sheet(): void
    {
        $site = SiteFixture::one('<p class="a">x</p>', '.a { color: black }');
        $mine = SiteFixture::override('.a', ['color' => 'red']);
        $later = SiteFixture::override('.a', ['color' => 'blue'])->withId('o2');

        self::assertSame([], $site->survey()->of($mine, new Sheet([$mine, $later]))->changes, 'a later override of the sheet hides it');
        self::assertCount(1, $site->survey()->of($mine, new Sheet([$later]))->changes);
    }

    public function test_the_palette_counts_uses_and_knows_variables(): void
    {
        $library = new MemoryLibrary(['/t.css' => ':root { --brass: #e0b354 } a { color: var(--brass); border-color: #E0B354 } b { background: linear-gradient(red, var(--brass)), teal } i { color: red; fill: transparent }']);
        $sheet = $library->sheet('/t.css');
        self::assertNotNull($sheet);
        $palette = array_map(static fn ($c): array => [$c->colour->hex(), $c->uses, $c->variable], PaletteReader::read([$sheet]));

        self::assertSame([['#e0b354', 4, '--brass'], ['#ff0000', 2, null], ['#008080', 1, null]], $palette);
    }
}
