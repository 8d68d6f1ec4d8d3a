<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Advice\DeclarationAdvice;
use Insignum\Advice\SelectorAdvice;
use Insignum\Aim\Candidate;
use Insignum\Aim\CandidateFinder;
use Insignum\Aim\Lifetime;
use Insignum\Aim\LifetimeJudge;
use Insignum\Aim\Sentence;
use Insignum\Aim\WinCheck;
use Insignum\Colour\Colour;
use Insignum\Effect\Backdrop;
use Insignum\Effect\Change;
use Insignum\Effect\Readability;
use Insignum\Selector\SelectorParser;
use Insignum\Sheet\Sheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** From a picked element to what an override does on a whole site. */
final class OverrideTest extends TestCase
{
    private const CSS = '.band .quote { color: #445; border-left: 1px solid grey } .tone-night { background: #161b2e } #content .plan .name { color: brown } #content .plan .x.deep { color: brown } .late { color: red !important } .plan .late::before { color: brown }';

    private function site(): SiteFixture
    {
        return new SiteFixture([
            'index.html' => '<body class="page-home kind-landing"><main id="content"><section class="band tone-night"><blockquote class="quote" id="pull-7f3a91">a<cite>c</cite></blockquote></section><section class="band"><blockquote class="quote">b</blockquote></section><p class="plan"><b class="name">n</b><i class="late">l</i><s class="deep x">s</s></p></main></body>',
            'visit.html' => '<body class="page-visit kind-info"><main id="content"><section class="band tone-night"><blockquote class="quote">d</blockquote></section></main></body>',
            'about.html' => '<body class="page-about kind-info"><main id="content"><p>e</p></main></body>',
        ], self::CSS);
    }

    public function test_candidates_go_from_all_of_its_kind_to_this_one_with_counts_on_every_page(): void
    {
        $site = $this->site();
        $found = (new CandidateFinder($site->pages))->find('index.html', $site->pages['index.html']->byClass['quote'][0]);
        $told = array_map(static fn (Candidate $c): string => "{$c->kind} {$c->selector} {$c->specificity} ".implode('/', array_map(count(...), $c->reach)), $found);

        self::assertSame([
            'kind .quote 0,1,0 2/1/0', 'region .tone-night .quote 0,2,0 1/1/0', 'page .page-home .quote 0,2,0 2/0/0', 'tag .tone-night blockquote 0,1,1 1/1/0',
            'tag blockquote 0,0,1 2/1/0', 'text .quote, .quote cite 0,1,1 3/1/0', 'one .page-home .tone-night .quote 0,3,0 1/0/0', 'one #pull-7f3a91 1,0,0 1/0/0',
        ], $told);
        self::assertStringContainsString('looks generated', end($found)->reasons[0]);
    }

    public function test_the_tones_of_a_kind_alone_and_together(): void
    {
        $site = SiteFixture::one(implode('', array_map(static fn (string $tone): string => "<section class=\"band tone-$tone\"><p class=\"quote\">x</p></section>", ['night', 'day', 'night', 'dusk'])).'<section class="band tone-moss"></section>', '');
        $finder = new CandidateFinder($site->pages);
        $quote = $site->pages['index.html']->byClass['quote'][0];

        self::assertSame(['tone-night 2', 'tone-day 1', 'tone-dusk 1'], array_map(static fn (array $t): string => "$t[0] {$t[1]->count()}", $finder->tones('index.html', $quote)));
        self::assertSame(':is(.tone-night, .tone-dusk) .quote 3', ($c = $finder->inTones('index.html', $quote, ['tone-night', 'tone-dusk']))->selector." {$c->count()}");
        self::assertSame([], $finder->tones('index.html', $site->pages['index.html']->byTag['section'][0]));
    }

    public function test_an_element_that_nothing_tells_apart_is_found_by_position_and_it_is_said(): void
    {
        $site = SiteFixture::one('<ul class="list"><li>a</li><li>b</li></ul>', '');
        $page = $site->pages['index.html'];
        $ones = array_values(array_filter((new CandidateFinder($site->pages))->find('index.html', $page->byTag['li'][1]), static fn (Candidate $c): bool => $c->kind === 'one'));

        self::assertSame('.list li:nth-child(2)', $ones[0]->selector);
        self::assertNotEmpty($ones[0]->reasons);
    }

    /** @return iterable<array{string, Lifetime}> */
    public static function names(): iterable
    {
        foreach (['quote', 'tone-night', 'page-home', 'h2', 'section-2', 'form__row', 'btn-primary', 'hero'] as $name) {
            yield [$name, Lifetime::Lasting];
        }
        foreach (['pull-7f3a91', 'block-5e1c02', 'comment-90211', 'css-1q2w3e4', 'post-3307', 'sc-bdVaJa', 'id-8f14e45fceea'] as $name) {
            yield [$name, Lifetime::Generated];
        }
        foreach (['is-open', 'active', 'has-error', 'collapsed'] as $name) {
            yield [$name, Lifetime::State];
        }
        foreach (['mt-3', 'col-md-6', 'd-flex', 'text-white', 'row', 'p-0'] as $name) {
            yield [$name, Lifetime::Utility];
        }
    }

    #[DataProvider('names')]
    public function test_how_long_a_part_lasts_is_judged_by_its_form(string $name, Lifetime $expected): void
    {
        self::assertSame($expected, LifetimeJudge::byForm()->judge($name));
    }

    public function test_reach_spill_and_cause(): void
    {
        $result = $this->site()->survey()->of(SiteFixture::override('.band .quote', ['color' => 'gold'], meant: '.tone-night .quote'), new Sheet);
        $told = array_map(fn (Change $c): string => "{$c->page} {$result->after[$c->page]->page->tags[$c->element]} {$c->cause->value} ".($c->meant ? 'meant' : 'spill'), $result->changes);

        self::assertSame(['index.html blockquote matched meant', 'index.html cite inherited spill', 'index.html blockquote matched spill', 'visit.html blockquote matched meant'], $told);
        self::assertSame(['rgb(68, 68, 85)', 'rgb(255, 215, 0)'], $result->changes[0]->properties['color']);
    }

    public function test_nothing_changes_where_the_override_says_what_is_so_already(): void
    {
        self::assertSame([], $this->site()->survey()->of(SiteFixture::override('.quote', ['color' => '#445']), new Sheet)->changes);
    }

    public function test_a_state_is_looked_at_as_if_it_were_on(): void
    {
        $result = $this->site()->survey()->of(SiteFixture::override('.quote', ['background-color' => 'gold'], 'hover'), new Sheet);

        self::assertCount(3, $result->changes);
    }

    public function test_a_theme_says_what_the_address_points_at_looks_like(): void
    {
        $site = SiteFixture::one('<div class="shelf"><p class="q" id="a">x</p></div>', '#a:target { color: red } .shelf:target-within { color: blue } .q:target { background: gold }');
        $result = $site->survey()->of(SiteFixture::override('.q', ['color' => 'teal', 'background-color' => 'white'], 'target'), new Sheet);

        self::assertSame(['background-color' => ['rgb(255, 215, 0)', 'rgb(255, 255, 255)']], $result->changes[0]->properties);
        self::assertSame('rgb(0, 0, 255)', $result->after['index.html']->style($site->pages['index.html']->byClass['shelf'][0])->value('color'));
        self::assertSame('specificity', (new WinCheck($site->survey(), $site->declarations))->losses(SiteFixture::override('.q', ['color' => 'teal'], 'target'), $result)[0]->by);
    }

    /** @return iterable<string, array{string, string, ?string, ?string}> selector, declaration value, what it loses by, the raised selector */
    public static function contests(): iterable
    {
        yield 'wins by order' => ['.band .quote', 'gold', null, null];
        yield 'loses by specificity, won by a parent' => ['.quote', 'gold', 'specificity', '.band .quote'];
        yield 'loses to an id, won by the id and a class' => ['.name', 'gold', 'specificity', '#content .plan .name'];
        yield 'loses to an id and three classes' => ['.deep', 'gold', 'specificity', '#content .deep.deep.deep'];
        yield 'loses on a pseudo-element' => ['.late::before', 'gold', 'specificity', '.plan .late::before'];
        yield 'loses to importance' => ['.late', 'gold', 'importance', '.late'];
    }

    #[DataProvider('contests')]
    public function test_it_wins_or_the_least_raise_is_found_and_tried(string $selector, string $value, ?string $by, ?string $raised): void
    {
        $site = $this->site();
        $override = SiteFixture::override($selector, ['color' => $value]);
        $survey = $site->survey();
        $verdict = (new WinCheck($survey, $site->declarations))->of($override, new Sheet, $survey->of($override, new Sheet));

        self::assertSame($by, $verdict->losses[0]->by ?? null);
        if ($raised !== null) {
            self::assertSame($raised, ($verdict->raises[0] ?? null)?->override->selector);
            self::assertSame($by === 'importance', $verdict->raises[0]->override->declarations[0]->important);
        }
        if ($verdict->raises !== []) {
            $again = $survey->of($verdict->raises[0]->override, new Sheet);
            self::assertTrue((new WinCheck($survey, $site->declarations))->of($verdict->raises[0]->override, new Sheet, $again)->wins());
        }
    }

    public function test_what_is_behind_a_text(): void
    {
        $site = SiteFixture::one('<div id="d"><p id="p">t</p></div><div id="g"><p id="q">t</p></div><div id="i"><p id="r">t</p></div>', 'body{background:#fff}#d{background:rgb(0 0 0 / 50%)}#g{background:linear-gradient(#000, #fff)}#i{background:url(sky.jpg) center/cover}');
        $styles = $site->styles();
        $backdrop = new Backdrop($styles, static fn (string $path): ?array => $path === '/sky.jpg' ? [Colour::rgb(10, 20, 30)] : null);
        $behind = static fn (string $id): array => array_map(static fn (Colour $c): string => $c->hex(), $backdrop->behind($styles->page->byId[$id][0])->colours);

        self::assertSame(['#808080'], $behind('p'));
        self::assertSame(['#000000', '#202020', '#404040', '#606060', '#808080', '#9f9f9f', '#bfbfbf', '#dfdfdf', '#ffffff'], $behind('q'));
        self::assertSame(['#0a141e'], $behind('r'));
        self::assertFalse((new Backdrop($styles, static fn (): ?array => null))->behind($styles->page->byId['r'][0])->certain);
    }

    public function test_a_text_that_becomes_unreadable_is_found_with_a_colour_that_passes(): void
    {
        $result = $this->site()->survey()->of(SiteFixture::override('.tone-night', ['background-color' => '#3c3f50']), new Sheet);
        $readings = (new Readability(static fn (): ?array => null))->between('index.html', $result->before['index.html'], $result->after['index.html'], [$result->reach['index.html'][0]]);

        self::assertTrue($readings[0]->fails());
        self::assertTrue($readings[0]->worsened());
        self::assertNotNull($readings[0]->nearest());
    }

    /** @return iterable<array{string, string, ?string}> */
    public static function dead(): iterable
    {
        yield ['quote', 'class here', '.quote'];
        yield ['.qoute', 'nearest', '.quote'];
        yield ['.content', 'id here', '#content'];
        yield ['.tone-night > .plan', 'What kills it is .tone-night', '.plan'];
    }

    #[DataProvider('dead')]
    public function test_a_selector_that_hits_nothing_is_told_why(string $selector, string $words, ?string $fix): void
    {
        $finding = (new SelectorAdvice($this->site()->pages))->on(SelectorParser::parse($selector));

        self::assertStringContainsString($words, (string) $finding?->message);
        self::assertSame($fix, $finding?->fix);
    }

    public function test_declarations_that_browsers_refuse(): void
    {
        $advice = new DeclarationAdvice($this->site()->declarations);

        self::assertSame('background-color', $advice->on('backgroud-color', 'red')?->fix);
        self::assertSame('invalid-value', $advice->on('color', 'dark gold')?->code);
        self::assertStringContainsString('0.3s', $advice->on('transition', 'opacity 0.3 ease')->message ?? '');
        self::assertStringContainsString('45deg', $advice->on('transform', 'rotate(45)')->message ?? '');
        self::assertStringContainsString('center', $advice->on('align-items', 'middle')->message ?? '');
        self::assertNull($advice->on('color', 'var(--ink)'));
        self::assertNull($advice->on('border-left', '6px solid oklch(0.7 0.1 80)'));
    }

    public function test_the_sentence(): void
    {
        $site = $this->site();
        $override = SiteFixture::override('.tone-night .quote', ['color' => 'gold', 'border-left' => '6px solid gold']);
        $parts = (new Sentence($site->pages))->of($override, $site->survey()->of($override, new Sheet)->reach);

        self::assertSame('On 2 of 3 pages, each quotation inside a “tone night” section gets 2 changes at any width, resting.', implode('', array_column($parts, 'text')));
        $what = static fn (string $selector): string => (new Sentence($site->pages))->of($o = SiteFixture::override($selector, ['color' => 'red']), $site->survey()->of($o, new Sheet)->reach)[3]['text'];
        self::assertSame('each quotation inside a “tone night” or “band” section', $what(':is(.tone-night, .band) .quote'));
        self::assertSame('each quotation on a “page home” page or inside a “tone night” section', $what(':where(.page-home, .tone-night) .quote'));
        self::assertSame('each quotation inside a section', $what('section:is(.none .tone-night, .band) .quote'));
    }
}
