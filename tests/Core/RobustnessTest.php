<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Page\PageReader;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use PHPUnit\Framework\TestCase;

/** Any input ends in an answer or a clear error, within bounds. The seeds are fixed. */
final class RobustnessTest extends TestCase
{
    private const TAGS = ['p', 'b', 'i', 'a', 'div', 'table', 'tr', 'td', 'tbody', 'caption', 'select', 'option', 'ul', 'li', 'form', 'button', 'svg', 'math', 'mi', 'foreignObject', 'nobr', 'h1', 'template', 'title', 'noscript', 'br', 'body', 'html', 'head', 'object', 'col'];

    public function test_any_soup_of_tags_becomes_a_sound_tree(): void
    {
        mt_srand(4);
        for ($round = 0; $round < 300; $round++) {
            $html = mt_rand(0, 1) === 1 ? '<!doctype html>' : '';
            for ($i = mt_rand(1, 60); $i > 0; $i--) {
                $tag = self::TAGS[mt_rand(0, count(self::TAGS) - 1)];
                $html .= [' text ', "<$tag class='x'>", "<$tag>", "</$tag>", "<$tag", '<!--', '-->', '&amp', '"'][mt_rand(0, 8)];
            }
            $page = PageReader::read($html);
            foreach ($page->parents as $element => $parent) {
                self::assertLessThan($element, $parent, $html);
                self::assertSame($element, $page->at($page->path($element)), $html);
                self::assertLessThanOrEqual($parent < 0 ? $page->count() : $page->ends[$parent], $page->ends[$element], $html);
            }
        }
    }

    public function test_any_mutation_of_a_selector_is_taken_or_refused_with_a_place_in_it(): void
    {
        mt_srand(5);
        $page = PageReader::read('<!doctype html><p class="a b" id="c"><i lang="en">x</i></p>');
        $good = ['.a > i:not(.b, :has(x)) ~ p', ':is(p, .a):nth-child(2n+1 of .b) i::before', '[lang|="en" i] + *:where(#c)', 'p.a\\62 #c:lang(en, fr)'];
        $alphabet = str_split('.#:[]()>+~*|,"\'\\ ai2n-=^$&');
        for ($round = 0; $round < 2000; $round++) {
            $selector = $good[$round % 4];
            for ($i = mt_rand(1, 4); $i > 0; $i--) {
                $selector = substr_replace($selector, $alphabet[mt_rand(0, count($alphabet) - 1)], mt_rand(0, strlen($selector)), mt_rand(0, 2));
            }
            try {
                $list = SelectorParser::parse($selector);
                self::assertIsList((new Matcher($page))->selectAny($list));
                self::assertEquals($list->highest(), SelectorParser::parse((string) $list)->highest(), $selector);
            } catch (InvalidSelector $error) {
                self::assertLessThanOrEqual(strlen($selector) + 3, $error->offset);
                self::assertNotSame('', $error->getMessage());
            }
        }
    }

    public function test_a_page_nested_without_end_is_read(): void
    {
        self::assertGreaterThan(5000, PageReader::read(str_repeat('<div>', 5000))->count());
    }
}
