<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Style\Condition;
use Insignum\Style\MediaList;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The rules of the cascade, one by one. Whether the values are the browser's is asked of the browser: tests/browser. */
final class StyleTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> css, property, value on <b id="x" class="a b" style="left: 1px"> in <div id="p"> */
    public static function cascades(): iterable
    {
        yield 'later wins' => ['.a{color:red}.b{color:blue}', 'color', 'rgb(0, 0, 255)'];
        yield 'specificity before order' => ['#x{color:red}.a.b{color:blue}', 'color', 'rgb(255, 0, 0)'];
        yield 'eleven classes do not make an id' => ['#x{color:red}'.str_repeat('.a', 11).'{color:blue}', 'color', 'rgb(255, 0, 0)'];
        yield 'importance' => ['.a{color:red!important}#x{color:blue}', 'color', 'rgb(255, 0, 0)'];
        yield 'unlayered beats layered' => ['.a{color:red}@layer t{#x{color:blue}}', 'color', 'rgb(255, 0, 0)'];
        yield 'later layers win' => ['@layer one,two;@layer two{.a{color:red}}@layer one{#x{color:blue}}', 'color', 'rgb(255, 0, 0)'];
        yield 'important layers the other way round' => ['@layer one,two;@layer two{.a{color:red!important}}@layer one{.a{color:blue!important}}.a{color:green!important}', 'color', 'rgb(0, 0, 255)'];
        yield 'inline style' => ['#x{left:5px}', 'left', '1px'];
        yield 'important beats inline style' => ['#x{left:5px!important}', 'left', '5px'];
        yield 'inheritance' => ['div{color:red}', 'color', 'rgb(255, 0, 0)'];
        yield 'no inheritance of backgrounds' => ['div{background-color:red}', 'background-color', 'rgba(0, 0, 0, 0)'];
        yield 'inherit' => ['div{background-color:red}.a{background-color:inherit}', 'background-color', 'rgb(255, 0, 0)'];
        yield 'unset' => ['div{color:red}.a{color:blue;color:unset}', 'color', 'rgb(255, 0, 0)'];
        yield 'revert goes back to the browser' => ['.a{font-weight:100;font-weight:revert}', 'font-weight', '700'];
        yield 'revert-layer goes back one layer' => ['@layer t{.a{color:red}}.a{color:revert-layer}', 'color', 'rgb(255, 0, 0)'];
        yield 'an invalid value is skipped' => ['.a{color:red;color:nonsense}', 'color', 'rgb(255, 0, 0)'];
        yield 'a shorthand wipes' => ['.a{background-image:url(i.png);background:red}', 'background-image', 'none'];
        yield 'addresses count from the sheet' => ['.a{background:url(i.png)}', 'background-image', 'url("/i.png")'];
        yield 'currentcolor is inherited as a keyword' => ['div{color:red;border:1px solid}.a{color:blue;border:inherit}', 'border-top-color', 'rgb(0, 0, 255)'];
        yield 'variables' => ['div{--c:red}.a{color:var(--c)}', 'color', 'rgb(255, 0, 0)'];
        yield 'a fallback' => ['.a{color:var(--none, blue)}', 'color', 'rgb(0, 0, 255)'];
        yield 'a cycle is invalid at computed-value time' => ['div{color:green}.a{--a:var(--b);--b:var(--a);color:red;color:var(--a)}', 'color', 'rgb(0, 128, 0)'];
        yield 'variables in shorthands' => ['.a{--w:3px;border:var(--w) solid red}', 'border-left-width', '3px'];
        yield 'a variable that makes nonsense' => ['.a{--w:blue;width:5px;width:var(--w)}', 'width', 'auto'];
        yield 'em of the font size' => ['.a{font-size:2em;padding:1em 0 0}', 'padding-top', '32px'];
        yield 'rem and calc' => ['html{font-size:10px}.a{padding-left:calc(2rem + 1vw * 2)}', 'padding-left', '45.6px'];
        yield 'clamp' => ['.a{font-size:clamp(1rem, 5vw, 40px)}', 'font-size', '40px'];
        yield 'no width without a style' => ['.a{border-width:5px}', 'border-top-width', '0px'];
        yield 'media' => ['@media (min-width:600px) and (max-width:1279px){.a{color:red}}@media (width >= 1280px){.a{color:blue}}', 'color', 'rgb(0, 0, 255)'];
        yield 'supports' => ['@supports (display:grid) and (not (colour:red)){.a{color:red}}@supports selector(:nope){.a{color:blue}}', 'color', 'rgb(255, 0, 0)'];
        yield 'nesting' => ['div{.a{color:red}& > .b{&.a{color:blue}}}', 'color', 'rgb(0, 0, 255)'];
        yield 'scope by nearness' => ['@scope (#p){.a{color:red}}@scope (body){.a{color:blue}}', 'color', 'rgb(255, 0, 0)'];
        yield 'scope with a limit' => ['.a{color:green}@scope (body) to (#p){.a{color:red}}', 'color', 'rgb(0, 128, 0)'];
        yield 'a broken selector drops its rule only' => ['.a:nope,.a{color:red}.a{color:blue}', 'color', 'rgb(0, 0, 255)'];
        yield 'color-mix' => ['.a{color:color-mix(in srgb, red, blue)}', 'color', 'color(srgb 0.5 0 0.5)'];
        yield 'flex items are blocks' => ['div{display:flex}', 'display', 'block'];
        yield 'registered properties' => ['@property --c{syntax:"<color>";inherits:false;initial-value:red}div{--c:blue}.a{color:var(--c)}', 'color', 'rgb(255, 0, 0)'];
    }

    /** @return iterable<array{string, string, string}> body content, property, value on #x */
    public static function hints(): iterable
    {
        yield from [
            ['<table bgcolor="#abc" id="x"></table>', 'background-color', 'rgb(170, 187, 204)'], ['<table><tr><td id="x" background="p.png">', 'background-image', 'url("/p.png")'],
            ['<font id="x" color="chucknorris">', 'color', 'rgb(192, 0, 0)'], ['<font id="x" size="+2">', 'font-size', '24px'], ['<font id="x" face="Arial">', 'font-family', 'Arial'],
            ['<p id="x" align="center">', 'text-align', '-webkit-center'], ['<p id="x" align="justify">', 'text-align', 'justify'], ['<table border="3" id="x"></table>', 'border-top-width', '3px'],
            ['<table border="3" bordercolor="red"><tr><td id="x">', 'border-top-color', 'rgb(255, 0, 0)'], ['<table cellpadding="7"><tr><td id="x">', 'padding-left', '7px'], ['<table rules="all"><tr><td id="x">', 'border-left-style', 'solid'],
            ['<img id="x" border="2">', 'border-top-style', 'solid'], ['<img id="x" width="40%">', 'width', '40%'], ['<img id="x" height="30">', 'height', '30px'], ['<hr id="x" color="teal">', 'background-color', 'rgb(0, 128, 128)'],
            ['<hr id="x" noshade>', 'border-top-style', 'solid'], ['<img id="x" align="left">', 'float', 'left'], ['<ol id="x" type="i"></ol>', 'list-style-type', 'lower-roman'], ['<ul><li id="x" type="SQUARE"></ul>', 'list-style-type', 'square'],
            ['<table align="center" id="x"></table>', 'margin-left', 'auto'], ['<table><tr><td nowrap id="x">', 'text-wrap-mode', 'nowrap'],
            ['<body link="#f00"><a id="x" href="#">', 'color', 'rgb(255, 0, 0)'], ['<body text="navy"><p id="x">', 'color', 'rgb(0, 0, 128)'],
        ];
    }

    #[DataProvider('hints')]
    public function test_attributes_that_stand_for_a_look(string $body, string $property, string $expected): void
    {
        self::assertSame($expected, SiteFixture::one($body, '')->value('x', $property));
    }

    public function test_imports_with_layers_and_conditions_and_namespaces(): void
    {
        $sheets = ['/theme.css' => '@import "a.css" layer(one) supports(display: grid); @import url(b.css) layer; @import "c.css" supports(colour: red); @import "d.css" print; @namespace svg url(http://www.w3.org/2000/svg); .x { top: 1px } svg|a { color: blue }',
            '/a.css' => '#x { color: red; left: 1px }', '/b.css' => '.x { color: teal; top: 9px }', '/c.css' => '#x { color: navy !important }', '/d.css' => '#x { right: 3px }'];
        $declarations = new \Insignum\Style\Declarations;
        $library = new \Insignum\Style\MemoryLibrary($sheets, $declarations);
        $page = \Insignum\Page\PageReader::read('<!doctype html><link rel="stylesheet" href="/theme.css"><a id="x" class="x">h</a><svg><a id="y"></a></svg>');
        $styles = \Insignum\Style\PageStyles::of($page, '/index.html', \Insignum\Style\StyleSet::of($page, '/index.html', $library), new Condition, $declarations);
        $value = static fn (string $id, string $property): ?string => $styles->style($page->byId[$id][0])->value($property);

        // The later layer wins over the earlier one, and what is in no layer over both; what is not supported, or for paper, is left out.
        self::assertSame(['rgb(0, 128, 128)', '1px', '1px', 'auto'], [$value('x', 'color'), $value('x', 'top'), $value('x', 'left'), $value('x', 'right')]);
        self::assertSame('rgb(0, 0, 255)', $value('y', 'color'));
    }

    #[DataProvider('cascades')]
    public function test_the_cascade(string $css, string $property, string $expected): void
    {
        $site = SiteFixture::one('<div id="p"><b id="x" class="a b" style="left: 1px">x</b></div>', $css);

        self::assertSame($expected, $site->value('x', $property));
    }

    public function test_provenance_tells_who_won_over_whom_and_by_what(): void
    {
        $site = SiteFixture::one('<p id="x" class="a" style="color: red">x</p>', "p { color: green }\n.a { color: blue }\n#x { color: teal !important }\n@layer l { #x { color: navy } }");
        $styles = $site->styles();
        $contenders = $styles->cascade->contenders($styles->page->byId['x'][0], 'color');
        $told = array_map(static fn ($c): string => $c->setting->declaration->value.($c->entry === null ? '' : '@'.$c->entry->sheet->position($c->setting->declaration->start)->line), $contenders);
        $by = [];
        foreach (array_keys($contenders) as $i) {
            if ($i > 0) {
                $by[] = \Insignum\Style\CascadeOrder::decider($contenders[$i - 1]->key, $contenders[$i]->key);
            }
        }

        self::assertSame(['teal@3', 'red', 'blue@2', 'green@1', 'navy@4'], $told);
        self::assertSame(['importance', 'inline', 'specificity', 'layer'], $by);
    }

    /** @return iterable<array{string, bool}> at 1280 by 800 */
    public static function media(): iterable
    {
        yield from [
            ['', true], ['screen', true], ['print', false], ['not print', true], ['screen and (min-width: 80em)', true], ['(max-width: 1279.98px)', false], ['(400px < width <= 1280px)', true],
            ['(orientation: landscape) and (hover)', true], ['(prefers-color-scheme: dark)', false], ['not (prefers-reduced-motion: reduce)', true], ['(min-width: 1px) or (max-width: 1px)', true],
            ['print, (min-width: 10px)', true], ['(unknown-thing: 3)', false], ['not (unknown-thing: 3)', false], ['(min-aspect-ratio: 16/10)', true], ['only screen and (min-resolution: 2dppx)', false], ['(scripting: none)', true],
        ];
    }

    #[DataProvider('media')]
    public function test_media_queries(string $query, bool $expected): void
    {
        self::assertSame($expected, (new MediaList($query))->accepts(new Condition));
    }

    public function test_breakpoints_are_the_first_widths_of_their_ranges(): void
    {
        self::assertSame([600.0, 900.0, 48.0 * 16], [
            ...(new MediaList('(min-width: 600px) and (max-width: 899.98px)'))->breakpoints(),
            ...(new MediaList('(width >= 48em)'))->breakpoints(),
        ]);
    }
}
