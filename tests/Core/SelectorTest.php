<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Page\PageReader;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\States;
use Insignum\Syntax\Parser;
use Insignum\Syntax\Rule;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SelectorTest extends TestCase
{
    private const PAGE = <<<'HTML'
        <!doctype html><html lang="en-GB"><body id="b" class="page-home">
        <section id="s1" class="band tone-night"><h2 id="h">T</h2><blockquote id="q1" class="quote pull">x<cite id="c1">y</cite></blockquote></section>
        <section id="s2" class="band"><p id="p1"></p><p id="p2">a<em id="e">b</em></p><p id="p3" lang="fr">c</p><blockquote id="q2" class="quote">z</blockquote></section>
        <form id="f"><input id="i1" type="EMAIL" required><input id="i2" type="checkbox" checked><input id="i3" disabled placeholder="p"><select id="sel"><option id="o1">1</option><option id="o2" selected>2</option></select><a id="a1" href="#">l</a><a id="a2">n</a></form>
        <ul id="u"><li id="l1" class="x"></li><li id="l2"></li><li id="l3" class="x"></li><li id="l4" class="x"></li></ul>
        <svg id="v"><linearGradient id="lg"></linearGradient></svg></body></html>
        HTML;

    /** @return iterable<array{string, string}> selector, ids that it matches, by space */
    public static function selectors(): iterable
    {
        yield from [
            ['.quote', 'q1 q2'], ['.tone-night .quote', 'q1'], ['blockquote.quote.pull', 'q1'], ['section > .quote', 'q1 q2'], ['h2 + .quote', 'q1'],
            ['p ~ .quote', 'q2'], ['#s2 p:first-child', 'p1'], ['p:empty', 'p1'], ['li:nth-child(2n+1)', 'l1 l3'], ['li:nth-child(2 of .x)', 'l3'],
            ['li:nth-last-child(-n+2)', 'l3 l4'], ['p:nth-of-type(3)', 'p3'], ['p:last-of-type', 'p3'], [':is(.pull, #p2) > *', 'c1 e'], ['.quote:not(.pull, .other)', 'q2'],
            ['section:has(> .pull)', 's1'], ['h2:has(+ .quote)', 'h'], ['p:has(em)', 'p2'], [':where(.quote):not(:has(cite))', 'q2'], ['[type="email"]', 'i1'],
            ['[class~=pull]', 'q1'], ['[class^="quote p" i]', 'q1'], ['[lang|=fr]', 'p3'], ['p:lang(fr)', 'p3'], ['p:lang(en)', 'p1 p2'], ['input:required', 'i1'],
            ['input:optional', 'i2 i3'], [':checked', 'i2 o2'], ['input:disabled', 'i3'], ['input:enabled', 'i1 i2'], [':placeholder-shown', 'i3'], [':any-link', 'a1'],
            ['INPUT:invalid', 'i1'], ['linearGradient', 'lg'], ['lineargradient', ''], ['.QUOTE', ''], ['body.page-home .band:not(.tone-night) p:only-child', ''],
            [':root > body', 'b'], ['#\73 1', 's1'], ['.x, #l2', 'l1 l2 l3 l4'], [':is(.nope, ::before, :unknown-thing, .pull)', 'q1'], ['li:nth-child(even of .x)', 'l3'],
        ];
    }

    #[DataProvider('selectors')]
    public function test_matches_what_browsers_match(string $selector, string $ids): void
    {
        $page = PageReader::read(self::PAGE);
        $found = array_map(static fn (int $e): string => $page->attribute($e, 'id') ?? $page->tags[$e], (new Matcher($page))->selectAny(SelectorParser::parse($selector)));

        self::assertSame($ids, implode(' ', $found));
    }

    public function test_states_are_answered_from_what_is_on(): void
    {
        $page = PageReader::read(self::PAGE);
        $link = $page->byId['a1'][0];
        $hovering = new Matcher($page, States::none()->with('hover', $link));

        self::assertSame([], (new Matcher($page))->selectAny(SelectorParser::parse('a:hover')));
        self::assertSame([$link], $hovering->selectAny(SelectorParser::parse('a:hover')));
    }

    public function test_quirks_mode_ignores_the_case_of_classes_and_ids(): void
    {
        $page = PageReader::read('<body><p class="Quote" id="One">');

        self::assertCount(1, (new Matcher($page))->selectAny(SelectorParser::parse('.quote#one')));
    }

    /** @return iterable<array{string, string}> */
    public static function specificities(): iterable
    {
        yield from [
            ['*', '0,0,0'], ['li', '0,0,1'], ['ul li::before', '0,0,3'], ['.a.b[c]:hover', '0,4,0'], ['#a .b c', '1,1,1'], [':is(#a, .b) c', '1,0,1'], [':where(#a) c', '0,0,1'],
            [':not(.a, #b)', '1,0,0'], ['a:has(> .b)', '0,1,1'], [':nth-child(2 of .a, #b)', '1,1,0'], ['.a, #b c', '1,0,1'], [str_repeat('.a', 300), '0,300,0'],
        ];
    }

    #[DataProvider('specificities')]
    public function test_specificity(string $selector, string $expected): void
    {
        self::assertSame($expected, (string) SelectorParser::parse($selector)->highest());
    }

    /** @return iterable<array{string, int}> selector, and where it breaks */
    public static function broken(): iterable
    {
        yield from [['.quote >', 8], ['.', 1], ['.a..b', 3], ['a:unknown', 1], ['a::nope', 1], ['[x', 0], ['#1a', 0], ['a,', 2], ['a:nth-child(foo)', 15], [':not(a', 1], ['a{', 1], ['', 0], ['a::before b', 10]];
    }

    #[DataProvider('broken')]
    public function test_a_broken_selector_says_where(string $selector, int $offset): void
    {
        try {
            SelectorParser::parse($selector);
            self::fail('It was taken.');
        } catch (InvalidSelector $error) {
            self::assertSame($offset, $error->offset, $error->getMessage());
        }
    }

    public function test_nesting_puts_the_parent_in_front_or_in_the_place_of_the_sign(): void
    {
        $page = PageReader::read(self::PAGE);
        $parent = SelectorParser::parse('.tone-night, #nope');
        $ids = static fn (string $nested): string => implode(' ', array_map(static fn (int $e): string => (string) $page->attribute($e, 'id'), (new Matcher($page))->selectAny(SelectorParser::parse($nested, $parent))));

        self::assertSame('q1', $ids('.quote'));
        self::assertSame('h q1', $ids('> *'));
        self::assertSame('s1', $ids('.band&'));
        self::assertSame('1,1,0', (string) SelectorParser::parse('.quote', $parent)->highest());
    }

    public function test_plain_selectors_read_at_one_go_are_what_the_long_way_reads(): void
    {
        mt_srand(12);
        $parts = ['a', '.b', '#c', '*', ' ', ' > ', '+', '~ ', ', ', ':hover', '::before', ':after', ':nope', '::-webkit-x', '.-d', '--e', '.', ':', '1', "\n", ':not(.a)', '[x]', 'é', '\\31', '[type=b]', '[Data-x ^= "a b"]', '[x|="é"]', '[y=""]', ':is( .a, b > c )', ':WHERE(*)', ':not(', ')', ':not(::after)', ':is()', ':has(a)', ':nth-child(2)', ':first-line'];
        $read = static function (callable $parse): string {
            try {
                return print_r($parse(), true);
            } catch (InvalidSelector $error) {
                return (string) preg_replace('/\s+/', '', $error->getMessage());
            }
        };
        for ($round = 0; $round < 12000; $round++) {
            $text = '';
            for ($i = mt_rand(1, 7); $i > 0; $i--) {
                $text .= $parts[mt_rand(0, count($parts) - 1)];
            }
            $rule = Parser::stylesheet("$text{}")->children[0] ?? null;
            if ($rule instanceof Rule) {
                self::assertSame($read(static fn () => SelectorParser::parse($rule->prelude)), $read(static fn () => SelectorParser::prelude($rule)), $text);
            }
        }
    }
}
