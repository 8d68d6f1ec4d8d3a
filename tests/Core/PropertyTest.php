<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Style\Declarations;
use Insignum\Style\Shorthands;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The grammars of the tracked properties, and their shorthands: from what is written to the computed value. */
final class PropertyTest extends TestCase
{
    /** @return iterable<string, array{string, string, ?string}> a style attribute, a property, its computed value; null where the value is invalid */
    public static function values(): iterable
    {
        $cases = [
            'background-image' => [
                'none' => 'none', 'url(a.png)' => 'url("/a.png")', 'url("../a b.png#x")' => 'url("/a%20b.png#x")', 'linear-gradient(red, blue 20px)' => 'linear-gradient(rgb(255, 0, 0), rgb(0, 0, 255) 20px)',
                'linear-gradient(to top left, red, 30%, blue)' => 'linear-gradient(to left top, rgb(255, 0, 0), 30%, rgb(0, 0, 255))', 'linear-gradient(0.25turn, red 10% 20%, blue)' => 'linear-gradient(90deg, rgb(255, 0, 0) 10%, rgb(255, 0, 0) 20%, rgb(0, 0, 255))',
                '-webkit-linear-gradient(red, blue)' => '-webkit-linear-gradient(top, rgb(255, 0, 0), rgb(0, 0, 255))', 'radial-gradient(circle at 10% 20%, red, blue)' => 'radial-gradient(circle at 10% 20%, rgb(255, 0, 0), rgb(0, 0, 255))',
                'conic-gradient(from 45deg, red, blue)' => 'conic-gradient(from 45deg, rgb(255, 0, 0), rgb(0, 0, 255))', 'linear-gradient(red)' => 'linear-gradient(rgb(255, 0, 0))', 'linear-gradient(red,)' => null, 'url(a.png) url(b.png)' => null, 'picture' => null,
            ],
            'background-size' => ['cover' => 'cover', '50%' => '50% auto', 'auto auto' => 'auto', '1em 2em' => '16px 32px', 'auto 10px' => 'auto 10px', '-1px' => null, 'cover 1px' => null],
            'background-position' => ['left' => '0% 50%', 'top' => '50% 0%', 'right 10px bottom 20%' => 'calc(100% - 10px) 80%', 'bottom right' => '100% 100%', '3px' => '3px 50%', '3px 4px' => '3px 4px', 'left right' => null, '1px 2px 3px' => null],
            'background-repeat' => ['repeat no-repeat' => 'repeat-x', 'no-repeat repeat' => 'repeat-y', 'space round' => 'space round', 'repeat-x repeat' => null],
            'background-clip' => ['text' => 'text', 'padding-box' => 'padding-box', 'margin-box' => null],
            'border-top-left-radius' => ['10px' => '10px', '10px 20%' => '10px 20%', '50% 50%' => '50%', '-1px' => null, 'calc(1em + 10%)' => 'calc(10% + 16px)'],
            'box-shadow' => ['none' => 'none', '1px 2px' => 'rgb(0, 0, 0) 1px 2px 0px 0px', 'inset 0 0 5px red' => 'rgb(255, 0, 0) 0px 0px 5px 0px inset', '1px 2px 3px 4px 5px' => null, 'red' => null],
            'text-decoration-line' => ['line-through underline' => 'underline line-through', 'none' => 'none', 'none underline' => null],
            'font-weight' => ['bold' => '700', '350' => '350', '1001' => null, 'heavy' => null], 'font-style' => ['oblique' => 'oblique', 'oblique 10deg' => 'oblique 10deg', 'slanted' => null],
            'font-size' => ['large' => '18px', 'larger' => '19.2px', '150%' => '24px', '2rem' => '32px', 'max(1em, 20px)' => '20px', '-1px' => null, '12' => null], 'opacity' => ['50%' => '0.5', '1.5' => '1', '-1' => '0', 'half' => null],
            'visibility' => ['collapse' => 'collapse', 'seen' => null], 'display' => ['block flow' => 'block', 'inline flow-root' => 'inline-block', 'none' => 'none', 'flex inline' => 'inline-flex', 'blocks' => null],
            'line-height' => ['1.5' => '1.5', '150%' => '24px', 'normal' => 'normal'], 'width' => ['50%' => '50%', 'calc(50% - 1em)' => 'calc(50% - 16px)', 'fit-content' => 'fit-content', '1e99px' => '3.35544e+07px', '5' => null],
        ];
        foreach ($cases as $property => $values) {
            foreach ($values as $value => $expected) {
                yield "$property: $value" => [$property, (string) $value, $expected];
            }
        }
    }

    #[DataProvider('values')]
    public function test_a_value(string $property, string $value, ?string $expected): void
    {
        self::assertSame($expected !== null, (new Declarations)->isValid($property, $value));
        if ($expected !== null) {
            self::assertSame($expected, SiteFixture::one('<p id="x">x</p>', "#x { $property: $value }")->value('x', $property));
        }
    }

    /** @return iterable<string, array{string, array<string, string>}> a declaration, and what it comes to */
    public static function shorthands(): iterable
    {
        yield 'background, all of it' => ['background: no-repeat center / cover fixed url(a.png) content-box red', [
            'background-image' => 'url("/a.png")', 'background-position' => '50% 50%', 'background-size' => 'cover', 'background-repeat' => 'no-repeat', 'background-attachment' => 'fixed',
            'background-origin' => 'content-box', 'background-clip' => 'content-box', 'background-color' => 'rgb(255, 0, 0)',
        ]];
        yield 'two layers' => ['background: url(a.png), linear-gradient(red, blue) repeat-x', ['background-repeat' => 'repeat, repeat-x', 'background-color' => 'rgba(0, 0, 0, 0)']];
        yield 'border wipes border-image' => ['border-image: url(a.png) 3; border: thick double', ['border-image-source' => 'none', 'border-left-width' => '5px', 'border-left-style' => 'double']];
        yield 'sides' => ['margin: 1px 2px 3px', ['margin-top' => '1px', 'margin-right' => '2px', 'margin-bottom' => '3px', 'margin-left' => '2px']];
        yield 'radius with a slash' => ['border-radius: 1px 2px / 3px', ['border-top-left-radius' => '1px 3px', 'border-top-right-radius' => '2px 3px', 'border-bottom-left-radius' => '2px 3px']];
        yield 'font' => ['font: italic small-caps 700 20px/1.5 "A B", serif', ['font-style' => 'italic', 'font-variant-caps' => 'small-caps', 'font-weight' => '700', 'font-size' => '20px', 'line-height' => '1.5', 'font-family' => '"A B", serif']];
        yield 'text-decoration' => ['text-decoration: wavy red underline', ['text-decoration-line' => 'underline', 'text-decoration-style' => 'wavy', 'text-decoration-color' => 'rgb(255, 0, 0)']];
        yield 'outline' => ['outline: dashed', ['outline-style' => 'dashed', 'outline-width' => '3px', 'outline-color' => 'rgb(0, 0, 0)']];
        yield 'list-style' => ['list-style: none', ['list-style-type' => 'none', 'list-style-image' => 'none']];
        yield 'logical pairs' => ['border-block-width: 1px 2px; border-block-style: solid', ['border-top-width' => '1px', 'border-bottom-width' => '2px']];
        yield 'all' => ['color: red; border: 1px solid; all: initial', ['color' => 'rgb(0, 0, 0)', 'border-top-style' => 'none', 'display' => 'inline']];
        yield 'an invalid part drops the whole' => ['border: 1px solid; border: 2px solid nocolour', ['border-top-width' => '1px']];
    }

    /** @param  array<string, string>  $expected */
    #[DataProvider('shorthands')]
    public function test_a_shorthand(string $css, array $expected): void
    {
        $site = SiteFixture::one('<p id="x">x</p>', "#x { $css }");
        foreach ($expected as $property => $value) {
            self::assertSame($value, $site->value('x', $property), $property);
        }
    }

    public function test_every_longhand_of_a_shorthand_is_known_and_reset(): void
    {
        $declarations = new Declarations;
        foreach (['background', 'border', 'border-radius', 'outline', 'text-decoration', 'font', 'margin', 'padding', 'inset', 'list-style', 'overflow'] as $shorthand) {
            foreach (Shorthands::longhands($shorthand) as $longhand) {
                self::assertNotNull($declarations->table->find($longhand), "$shorthand: $longhand");
            }
        }
    }

    /** @return iterable<string, array{string, string, string, string}> css, markup, property, value of #x */
    public static function boxes(): iterable
    {
        yield 'a check box keeps its own edge' => ['#x { border: 3px solid; border-radius: 4px }', '<input id="x" type="checkbox">', 'border-top-style', 'none'];
        yield 'without appearance it has the author’s' => ['#x { appearance: none; border: 3px solid }', '<input id="x" type="checkbox">', 'border-top-width', '3px'];
        yield 'a control is no table cell' => ['#x { display: table-cell }', '<input id="x">', 'display', 'inline-block'];
        yield 'what is slotted is no flex item' => ['details { display: flex }', '<details><summary>s</summary><b id="x">x</b></details>', 'display', 'inline'];
        yield 'a slot hands on what inherits' => ['details { color: red; border: 3px solid }', '<details><b id="x" style="color: inherit; border: inherit">x</b></details>', 'color', 'rgb(255, 0, 0)'];
        yield 'a slot has no border to hand on' => ['details { border: 3px solid }', '<details><b id="x" style="border: inherit">x</b></details>', 'border-top-width', '0px'];
        yield 'the inline start is right in right-to-left text' => ['#x { border-inline-start: 3px solid }', '<p dir="rtl" id="x">x</p>', 'border-right-width', '3px'];
        yield 'and later sides win over it' => ['#x { border-inline-start: 3px solid; border-right-width: 5px }', '<p dir="rtl" id="x">x</p>', 'border-right-width', '5px'];
        yield 'direction is inherited' => ['p { margin-inline-end: 7px }', '<div dir="rtl"><p id="x">x</p></div>', 'margin-left', '7px'];
        yield 'a line clamp' => ['#x { display: -webkit-box; -webkit-line-clamp: 2; -webkit-box-orient: vertical }', '<p id="x">x</p>', 'display', 'flow-root'];
        yield 'replaced elements have no contents' => ['#x { display: contents }', '<img id="x">', 'display', 'none'];
        yield 'a namespace' => ['@namespace s "http://www.w3.org/2000/svg"; s|a { color: red } a { opacity: 0.5 }', '<svg><a id="x"></a></svg>', 'color', 'rgb(255, 0, 0)'];
        yield 'another namespace' => ['@namespace s "http://www.w3.org/2000/svg"; s|a { opacity: 0.5 }', '<a id="x">x</a>', 'opacity', '1'];
    }

    #[DataProvider('boxes')]
    public function test_what_the_browser_adds(string $css, string $body, string $property, string $expected): void
    {
        self::assertSame($expected, SiteFixture::one($body, $css)->value('x', $property));
    }

    public function test_what_a_video_falls_back_to_has_no_computed_style(): void
    {
        $styles = SiteFixture::one('<video><a id="x">x</a></video><p id="y">y</p>', 'a { color: red }')->styles();

        self::assertSame('', $styles->tracked($styles->page->byId['x'][0])['color']);
        self::assertSame('rgb(0, 0, 0)', $styles->tracked($styles->page->byId['y'][0])['color']);
    }
}
