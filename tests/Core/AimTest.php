<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Aim\Aimed;
use Insignum\Aim\Aimer;
use Insignum\Aim\Census;
use Insignum\Aim\Fit;
use Insignum\Aim\Lifetime;
use Insignum\Aim\LifetimeJudge;
use Insignum\Aim\Opposition;
use Insignum\Page\Page;
use Insignum\Page\PageReader;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Selectors from examples. In the markup, m marks what is meant and k what is to be kept. */
final class AimTest extends TestCase
{
    /**
     * @param  array<string, string>  $bodies
     * @return array{Aimed, array<string, Page>}
     */
    private function aim(array $bodies): array
    {
        $pages = $meant = $kept = [];
        foreach ($bodies as $path => $body) {
            // The marks are attributes while the page is read, and no part of it when it is aimed at.
            $marked = PageReader::read("<!doctype html><html><head></head>$body</html>");
            foreach ($marked->attributes as $element => $attributes) {
                if (isset($attributes['m'])) {
                    $meant[$path][] = $element;
                } elseif (isset($attributes['k'])) {
                    $kept[$path][] = $element;
                }
            }
            $pages[$path] = PageReader::read((string) preg_replace('/ [mk](?=[ >])/', '', "<!doctype html><html><head></head>$body</html>"));
        }

        return [(new Aimer(new Census($pages)))->of($meant, $kept), $pages];
    }

    /** @return iterable<string, array{array<string, string>, string}> bodies by page, and the first selector */
    public static function cases(): iterable
    {
        yield 'a class of its own' => [['a' => '<body><p class="quote" m>x</p><p class="quote" m>y</p><p k>z</p></body>'], '.quote'];
        yield 'the commonest tag where there is no class' => [['a' => '<body><h2 m>x</h2><p k>z</p><h2 m>y</h2></body>'], 'h2'];
        yield 'a region tells them apart' => [['a' => '<body><div class="band"><p class="q" m>x</p><p class="q" m>y</p></div><div class="aside"><p class="q" k>z</p></div></body>'], '.band .q'];
        yield 'over two pages' => [['a' => '<body><main class="news"><h2 m>x</h2></main></body>', 'b' => '<body><main class="news"><h2 m>y</h2></main><footer><h2 k>z</h2></footer></body>'], '.news h2'];
        yield 'by the page’s body' => [['a' => '<body class="page-home"><h2 m>x</h2></body>', 'b' => '<body class="page-book"><h2 k>y</h2></body>'], '.page-home h2'];
        yield 'a generated id is left aside' => [['a' => '<body><div id="block-7f3a91c2" class="card" m>x</div><div class="note" k>y</div></body>'], '.card'];
        yield 'a type of field' => [['a' => '<body><form><input type="email" m><input type="text" k></form><form><input type="email" m></form></body>'], 'input[type="email"]'];
        yield 'two classes' => [['a' => '<body><p class="card hot" m>x</p><p class="card" k>y</p><b class="hot" k>z</b><p class="card hot" m>x</p></body>'], '.card.hot'];
        yield 'a child and no deeper one' => [['a' => '<body><div class="list"><p m>x</p><p m>x</p><div><p k>y</p></div></div></body>'], '.list > p'];
        yield 'without what is to stay' => [['a' => '<body><p class="q" m>x</p><p class="q" m>w</p><p class="q soft" k>y</p></body>'], '.q:not(.soft)'];
        yield 'a position as the last resort' => [['a' => '<body><ul class="list"><li k>x</li><li m>y</li><li k>z</li></ul></body>'], 'li:nth-child(2)'];
        yield 'a list where one does not do' => [['a' => '<body><h2 m>x</h2><p class="lead" m>y</p><p k>z</p><div k>w</div></body>'], 'h2, .lead'];
        yield 'what follows a heading' => [['a' => '<body><h2>t</h2><p m>x</p><p k>y</p><h2>t</h2><p m>x</p><p k>y</p></body>'], 'h2 + p'];
        yield 'three classes where no two do' => [['a' => '<body><a class="x y" k>1</a><i>i</i><a class="x z" k>2</a><i>i</i><a class="y z" k>3</a><i>i</i><a class="x y z" m>4</a><i>i</i><a class="x y z" m>5</a></body>'], '.x.y.z'];
        yield 'a region, a sibling and a class' => [['a' => '<body><p class="on">a</p><p class="box" k>1</p><div class="form"><p class="on">a</p><p class="box" m>2</p><p class="box" k>3</p><p class="on">a</p><b class="box" k>4</b><p class="on">a</p><p k>6</p><p class="on">a</p><p class="box" m>5</p></div></body>'], '.form .on + p.box'];
        yield 'the last of each card' => [['a' => '<body><p class="body" k>0</p><div class="card"><p class="body" k>1</p><i>x</i><p class="body" m>2</p></div><div class="card"><p class="body" k>3</p><i>x</i><p class="body" m>4</p></div><div><i>x</i><p class="body" k>5</p></div><div class="card"><i>x</i><p class="body" k>3</p><i>x</i></div></body>'], '.card .body:last-child'];
    }

    public function test_a_part_to_begin_with_that_is_dearer_than_all_others_is_not_left_out(): void
    {
        $classes = implode(' ', array_map(static fn (int $i): string => "c$i-word", range(1, 90)));
        $common = str_repeat("<p class=\"$classes\">x</p>", 300);
        [$aimed] = $this->aim(['a' => "<body>$common<div class=\"box\"><p id=\"block-7f3a91c2\" class=\"$classes\" m>y</p></div></body>"]);

        self::assertTrue($aimed->fits[0]->fits());
    }

    /** Whatever up to four parts of one selector can say, an exact selector is found for it. */
    public function test_what_a_selector_of_some_parts_takes_is_found_exactly(): void
    {
        mt_srand(20261126);
        $words = ['card', 'band', 'quote', 'hot', 'note', 'list', 'lead'];
        $word = static fn (): string => '.'.$words[mt_rand(0, 6)];
        $tried = 0;
        for ($round = 0; $round < 80; $round++) {
            $body = '';
            $open = 0;
            for ($i = 0; $i < 60; $i++) {
                $body .= '<div class="'.implode(' ', array_unique([$words[mt_rand(0, 6)], $words[mt_rand(0, 6)], $words[mt_rand(0, 6)]])).'">';
                for ($open++; $open > 0 && mt_rand(0, 9) < 6; $open--) {
                    $body .= '</div>';
                }
            }
            $page = PageReader::read("<!doctype html><body>$body</body>");
            $selector = [$word().$word().$word(), $word().' '.$word().$word(), $word().' > '.$word().$word(), $word().' '.$word().':first-child', $word().' + '.$word().$word()][$round % 5];
            $meant = (new Matcher($page))->selectAny(SelectorParser::parse($selector));
            if ($meant === [] || count($meant) === $page->count()) {
                continue;
            }
            $tried++;
            $fits = (new Aimer(new Census(['a' => $page])))->of(['a' => $meant])->fits;
            self::assertContains($meant, array_map(static fn (Fit $f): array => $f->reach['a'], $fits), "$selector, and not ".implode(' | ', array_map(static fn (Fit $f): string => $f->selector, $fits)));
        }
        self::assertGreaterThan(40, $tried);
    }

    /** @param  array<string, string>  $bodies */
    #[DataProvider('cases')]
    public function test_the_selector_that_a_person_would_write(array $bodies, string $expected): void
    {
        [$aimed] = $this->aim($bodies);

        self::assertSame($expected, $aimed->fits[0]->selector ?? $aimed->confusion);
        self::assertTrue($aimed->fits[0]->fits());
    }

    public function test_of_those_that_are_exact_one_that_wins_comes_first(): void
    {
        $site = SiteFixture::one('<div class="band"><p class="q">x</p></div><div class="band tall"><p class="q">y</p></div><div class="band"><b>z</b></div>', '.band .q { color: red; margin: 0 !important } .q { background: gold } @layer a { #x .q { color: blue } }');
        $meant = ['index.html' => $site->pages['index.html']->byClass['q']];
        $first = static function (string ...$properties) use ($site, $meant): array {
            $opposition = Opposition::on([$site->page('index.html')], $meant, array_values($properties));
            $fit = (new Aimer(new Census($site->pages)))->of($meant, [], static fn (string $s): bool => $opposition->yields(SelectorParser::parse($s)->highest()))->fits[0];

            return [$fit->selector, $fit->isExact(), $opposition->isAny() ? $opposition->reason() : ''];
        };

        self::assertSame(['.band .q', true, 'It would lose to the theme’s .band .q, which is heavier (0,2,0).'], $first('color', 'background-color'));
        self::assertSame(['.q', true, 'It would lose to the theme’s .q, which is heavier (0,1,0).'], $first('background-color'));
        self::assertSame(['.q', true, ''], $first('margin-top', 'padding-top'));
    }

    public function test_a_last_resort_says_so(): void
    {
        [$aimed] = $this->aim(['a' => '<body><ul><li k>x</li><li m>y</li><li k>z</li></ul></body>']);

        self::assertStringContainsString('by position', implode(' ', $aimed->fits[0]->reasons));
    }

    public function test_what_is_the_same_in_everything_is_told(): void
    {
        [$aimed] = $this->aim(['a' => '<body><h2 m>One</h2></body>', 'b' => '<body><h2 k>Two</h2></body>']);

        self::assertStringContainsString('“One” on a from the heading “Two” on b', (string) $aimed->confusion);
        self::assertFalse($aimed->fits[0]->fits());
        self::assertStringContainsString('which is to stay', implode(' ', $aimed->fits[0]->reasons));
    }

    public function test_one_mark_can_not_say_both(): void
    {
        $this->expectException(\InvalidArgumentException::class);
        (new Aimer(new Census(['a' => PageReader::read('<p>x</p>')])))->of(['a' => [2]], ['a' => [2]]);
    }

    public function test_every_fit_takes_what_it_says(): void
    {
        mt_srand(11);
        $words = ['card', 'band', 'quote', 'hot', 'note', 'list'];
        $tags = ['div', 'p', 'section', 'span', 'li'];
        for ($round = 0; $round < 40; $round++) {
            $body = '';
            for ($i = 0; $i < 25; $i++) {
                $tag = $tags[mt_rand(0, 4)];
                $mark = [' m', ' k', '', ''][mt_rand(0, 3)];
                $body .= "<$tag class=\"{$words[mt_rand(0, 5)]} {$words[mt_rand(0, 5)]}\"$mark>".(mt_rand(0, 2) === 0 ? '<b class="'.$words[mt_rand(0, 5)].'">x</b>' : 'x').(mt_rand(0, 3) === 0 ? '' : "</$tag>");
            }
            [$aimed, $pages] = $this->aim(['a' => "<body><i m>x</i>$body</body>"]);
            foreach ($aimed->fits as $fit) {
                $reach = (new Matcher($pages['a']))->selectAny(SelectorParser::parse($fit->selector));
                self::assertSame($reach, $fit->reach['a'], $fit->selector);
                self::assertSame($aimed->confusion === null, $fit->fits(), $fit->selector);
            }
            self::assertSame(count($aimed->fits), count(array_unique(array_map(static fn (Fit $f): string => $f->selector, $aimed->fits))));
        }
    }

    public function test_lifetimes_by_how_a_site_uses_names(): void
    {
        $page = static fn (string $body): Page => PageReader::read("<!doctype html><body>$body</body>");
        $now = ['a' => $page('<p id="post-12" class="soft card">x</p><p id="post-13" class="soft fresh">y</p><b class="soft">z</b><i class="soft">z</i><a class="soft">z</a><h2 class="soft h2">z</h2>')];
        $judge = LifetimeJudge::of($now, ['a' => $page('<p id="post-12" class="soft card">x</p>')]);

        self::assertSame([Lifetime::Numbered, Lifetime::Utility, Lifetime::New, Lifetime::Lasting], array_map($judge->judge(...), ['post-13', 'soft', 'fresh', 'card']));
    }
}
