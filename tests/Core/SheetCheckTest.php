<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Advice\SheetCheck;
use Insignum\Effect\Overlay;
use Insignum\Syntax\Finding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SheetCheckTest extends TestCase
{
    private const THEME = '.quote { color: navy; border: 1px solid } #main .quote { background-color: #eee !important }';

    private const BODY = '<main id="main"><p class="quote" style="margin: 0">q</p><h2>t</h2></main>';

    /** @return iterable<string, array{string, list<string>}> a sheet, and the codes of its findings with line and column */
    public static function sheets(): iterable
    {
        yield 'nothing wrong' => [".quote { color: teal }\nh2:hover { color: red }", []];
        yield 'an unclosed block' => [".quote { color: teal;\n  border: 0", ['unclosed-block 1:1']];
        yield 'an unknown property' => ['.quote { colour: teal }', ['unknown-property 1:10']];
        yield 'an invalid value' => [".quote {\n  color: teel\n}", ['invalid-value 2:3']];
        yield 'descriptors are no properties' => ['@font-face { font-family: X; src: url(x.woff2); font-display: swap }', []];
        yield 'a custom property is none to complain about' => ['.quote { --colour: teel }', []];
        yield 'set twice' => ['.quote { color: teal; color: teal }', ['set-twice 1:23']];
        yield 'two values for old and new browsers are no mistake' => ['.quote { color: teal; color: oklch(0.5 0.1 200) }', []];
        yield 'a selector that hits nothing' => ['.quoet { color: teal }', ['hits-nothing 1:1']];
        yield 'a broken selector' => ['.quote:nope { color: teal }', ['selector 1:7']];
        yield 'it loses to importance' => ['.quote { background-color: red }', ['loses 1:10']];
        yield 'it loses to the page itself' => ['.quote { margin: 1em }', ['loses 1:10']];
        yield 'what one browser alone knows is no mistake' => [".quote { position: -webkit-sticky; -moz-osx-font-smoothing: grayscale }\n::-moz-focus-inner { border: 0 }", ['prefixed 1:36', 'prefixed 2:1']];
        yield 'what only the layout can answer is none either' => ['.quote { width: anchor-size(inline); order: sibling-index(); margin-left: if(media(print): 0; else: 1px) }', ['loses 1:62']];
        yield 'inside a media query' => ["@media (min-width: 1px) {\n  .quote { colour: red }\n}", ['unknown-property 2:12']];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('sheets')]
    public function test_a_sheet(string $css, array $expected): void
    {
        $site = SiteFixture::one(self::BODY, self::THEME);
        $sheet = $site->library->compile($css, '/o.css');
        $findings = (new SheetCheck($site->declarations))->of($sheet, [(new Overlay($sheet))->on($site->styles())]);

        self::assertSame($expected, array_map(static function (Finding $f) use ($sheet): string {
            $at = $sheet->position($f->start);

            return "{$f->code} {$at->line}:{$at->column}";
        }, $findings));
    }
}
