<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Page\Page;
use Insignum\Page\PageReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The tree that browsers build from HTML as people write it: HTML Living Standard, 13.2.6. */
final class TreeTest extends TestCase
{
    /** @return iterable<string, array{string, string}> body content, and the tree of the body */
    public static function bodies(): iterable
    {
        yield 'paragraphs end where a block starts' => ['<p>a<p>b<div>c</div>d', '"d" p("a") p("b") div("c")'];
        yield 'list items close each other' => ['<ul><li>a<li>b<ul><li>c</ul></ul>', 'ul(li("a") li("b" ul(li("c"))))'];
        yield 'terms and descriptions' => ['<dl><dt>a<dd>b<dt>c</dl>', 'dl(dt("a") dd("b") dt("c"))'];
        yield 'an implied table body' => ['<table><tr><td>1<td>2</table>', 'table(tbody(tr(td("1") td("2"))))'];
        yield 'cells without a row' => ['<table><td>1</table>', 'table(tbody(tr(td("1"))))'];
        yield 'sections of a table' => ['<table><thead><tr><th>h<tbody><tr><td>b<tfoot><tr><td>f</table>', 'table(thead(tr(th("h"))) tbody(tr(td("b"))) tfoot(tr(td("f"))))'];
        yield 'columns' => ['<table><col><tr><td>1</table>', 'table(colgroup(col) tbody(tr(td("1"))))'];
        yield 'what does not belong in a table stands before it' => ['<table><p>x</p><tr><td>1</table>', 'p("x") table(tbody(tr(td("1"))))'];
        yield 'text does not belong there either' => ['a<table>x<tr><td>1</table>', '"ax" table(tbody(tr(td("1"))))'];
        yield 'a caption' => ['<table><caption>c<tr><td>1</table>', 'table(caption("c") tbody(tr(td("1"))))'];
        yield 'a table in a cell' => ['<table><tr><td><table><tr><td>1</table></table>', 'table(tbody(tr(td(table(tbody(tr(td("1"))))))))'];
        yield 'misnested formatting' => ['<b>1<i>2</b>3</i>', 'b("1" i("2")) i("3")'];
        yield 'formatting over a block' => ['<b>1<p>2</b>3</p>', 'b("1") p("3" b("2"))'];
        yield 'formatting goes on after a block' => ['<p><b>1<p>2', 'p(b("1")) p(b("2"))'];
        yield 'links do not nest' => ['<a href=1>1<a href=2>2</a>', 'a("1") a("2")'];
        yield 'buttons do not nest' => ['<button>1<button>2</button>', 'button("1") button("2")'];
        yield 'headings close each other' => ['<h1>1<h2>2</h1>', 'h1("1") h2("2")'];
        yield 'forms do not nest' => ['<form><form><input></form>', 'form(input)'];
        yield 'options' => ['<select><option>1<option>2<optgroup><option>3</select>', 'select(option("1") option("2") optgroup(option("3")))'];
        yield 'an end tag without a start' => ['a</div></p>b', '"ab" p'];
        yield 'a line break by its end tag' => ['</br>', 'br'];
        yield 'void elements hold nothing' => ['<br>a<img>b<hr/>c', '"abc" br img hr'];
        yield 'foreign elements' => ['<svg><lineargradient/><p>x', 'svg(linearGradient) p("x")'];
        yield 'html inside foreign elements' => ['<svg><foreignobject><p>x</p></foreignobject><g/></svg>y', '"y" svg(foreignObject(p("x")) g)'];
        yield 'noscript holds elements' => ['<noscript><p>x</p></noscript>', 'noscript(p("x"))'];
        yield 'what is in a template is left out' => ['<template><p>x</template>y', '"y" template'];
        yield 'text that is no markup' => ['<style>a<b></style><textarea><p></textarea><script>"<p>"</script>', 'style textarea("<p>") script'];
        yield 'ruby' => ['<ruby>a<rt>b<rp>c</ruby>', 'ruby("a" rt("b") rp("c"))'];
        yield 'a marker ends with its cell' => ['<table><tr><td><b>1<td>2</table>3', '"3" table(tbody(tr(td(b("1")) td("2"))))'];
        yield 'late attributes of the body' => ['a<body class=x>b', '"ab"'];
    }

    #[DataProvider('bodies')]
    public function test_the_tree_is_the_browsers(string $html, string $expected): void
    {
        $page = PageReader::read("<!doctype html><body>$html");

        self::assertSame($expected, self::inside($page, $page->byTag['body'][0]));
    }

    public function test_head_and_body_come_by_themselves(): void
    {
        $page = PageReader::read('<title>T</title><meta name=x><p>a</html><p>late');

        self::assertSame('html(head(title meta) body(p("a") p("late")))', self::tree($page, 0));
        self::assertSame('T', $page->title);
        self::assertTrue($page->quirks);
    }

    /** @return iterable<array{string, bool}> */
    public static function doctypes(): iterable
    {
        yield ['<!doctype html>', false];
        yield ["<!-- c -->\n<!DOCTYPE HTML>", false];
        yield ['<!DOCTYPE html PUBLIC "-//W3C//DTD XHTML 1.0 Strict//EN" "http://www.w3.org/TR/xhtml1/DTD/xhtml1-strict.dtd">', false];
        yield ['<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN">', true];
        yield ['<!DOCTYPE HTML PUBLIC "-//W3C//DTD HTML 4.01 Transitional//EN" "http://www.w3.org/TR/html4/loose.dtd">', false];
        yield ['<!DOCTYPE HTML PUBLIC "-//IETF//DTD HTML//EN">', true];
        yield ['', true];
    }

    #[DataProvider('doctypes')]
    public function test_quirks_mode(string $doctype, bool $quirks): void
    {
        self::assertSame($quirks, PageReader::read("$doctype<p>x")->quirks);
    }

    public function test_stylesheets_are_found_in_order(): void
    {
        $page = PageReader::read('<!doctype html><link rel="Stylesheet" href=a.css media=print><style media="screen">b{}</style><link rel="alternate stylesheet" href=c.css><style type="text/less">d</style><body><link rel=stylesheet href=e.css disabled><link rel=stylesheet href=f.css>');

        self::assertSame([['a.css', null, 'print'], [null, 'b{}', 'screen'], ['f.css', null, '']], array_map(static fn ($s): array => [$s->address, $s->css, $s->media], $page->sheets));
    }

    private static function tree(Page $page, int $element): string
    {
        $inside = self::inside($page, $element);

        return $page->tags[$element].($inside === '' ? '' : "($inside)");
    }

    /** The text directly in it, then its children. */
    private static function inside(Page $page, int $element): string
    {
        $text = $page->texts[$element] === '' ? [] : ['"'.$page->texts[$element].'"'];

        return implode(' ', [...$text, ...array_map(static fn (int $child): string => self::tree($page, $child), $page->children[$element])]);
    }
}
