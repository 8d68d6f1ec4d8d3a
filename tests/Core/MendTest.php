<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Aim\Mend;
use Insignum\Aim\Mender;
use Insignum\Aim\Scope;
use Insignum\Aim\SleepingState;
use Insignum\Aim\SleepingStates;
use Insignum\Aim\TextInside;
use Insignum\Effect\MarkedElements;
use Insignum\Page\Fingerprint;
use Insignum\Selector\Wear;
use Insignum\Sheet\Mark;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Spill and the ways out of it, marks that are found again, and states that the pages are not wearing. */
final class MendTest extends TestCase
{
    private function site(): SiteFixture
    {
        return new SiteFixture([
            'index.html' => '<body class="home"><main><section class="band night"><p class="quote">a <em>b</em></p></section><aside class="box"><p class="quote small">c</p></aside></main></body>',
            'visit.html' => '<body class="visit"><main><section class="band night"><p class="quote">d</p></section><aside class="box"><p class="quote small">e</p></aside></main></body>',
        ], '.quote { color: #445; background: white } .bar.is-stuck { background: red }');
    }

    /** @return array<string, Mend> by kind, for the largest group that spills */
    private function mends(SiteFixture $site, Override $override, int $group = 0): array
    {
        $survey = $site->survey();
        $groups = (new Mender($survey))->of($override, new Sheet, $survey->of($override, new Sheet));
        self::assertArrayHasKey($group, $groups);

        return array_column(array_map(static fn (Mend $m): array => [$m->kind, $m], $groups[$group]->mends), 1, 0);
    }

    public function test_what_spills_by_match_can_be_left_out_left_alone_put_back_or_accepted(): void
    {
        $mends = $this->mends($this->site(), SiteFixture::override('.quote', ['background-color' => 'gold'], meant: '.night .quote'));

        self::assertSame(['narrower', 'leave', 'restore', 'accept'], array_keys($mends));
        self::assertSame('.band .quote', $mends['narrower']->override->selector);
        self::assertSame(['kept', 'kept'], array_map(static fn (Mark $m): string => $m->kind, $mends['leave']->override->marks));
        self::assertSame(['background-color: #ffffff;'], array_map(static fn (OverrideDeclaration $d): string => $d->css(), $mends['restore']->added->declarations ?? []));
        self::assertSame([0, 0, 0, 0], array_map(static fn (Mend $m): int => $m->left, array_values($mends)));
    }

    public function test_what_spills_by_inheritance_is_put_back_by_a_rule_of_its_own(): void
    {
        $site = new SiteFixture(['index.html' => '<div class="note">a <b class="name">b</b></div>'], '.note { color: navy }');
        $mends = $this->mends($site, SiteFixture::override('.note', ['color' => 'red']));

        self::assertSame(['restore', 'accept'], array_keys($mends));
        self::assertSame('.name', $mends['restore']->added?->selector);
        self::assertSame('#000080', $mends['restore']->added->declarations[0]->value);
    }

    public function test_a_mend_never_takes_back_what_was_meant(): void
    {
        // The inner text has a colour of its own and inherits the slant: what gives it back must not straighten the paragraph.
        $site = new SiteFixture(['index.html' => '<p class="x">a <span class="x">b</span></p>'], '.x { color: navy }');
        $mends = $this->mends($site, SiteFixture::override('p', ['font-style' => 'italic', 'color' => 'red']));
        $survey = $site->survey();
        foreach ($mends as $mend) {
            $after = $survey->of($mend->override, new Sheet, $mend->added);
            self::assertContains(['index.html', $site->pages['index.html']->byTag['p'][0]], array_map(static fn ($c): array => [$c->page, $c->element], array_filter($after->changes, static fn ($c): bool => $c->meant)));
            self::assertSame([], $after->spill());
        }
        self::assertArrayHasKey('accept', $mends);
    }

    public function test_what_is_marked_to_stay_is_spill_whatever_the_selector_means(): void
    {
        $site = $this->site();
        $page = $site->pages['visit.html'];
        $kept = $page->byClass['quote'][0];
        $override = SiteFixture::override('.quote', ['background-color' => 'gold'])->withMarks([
            new Mark('kept', 'visit.html', $page->path($kept), Fingerprint::of($page, $kept)),
            new Mark('accepted', 'index.html', $site->pages['index.html']->path($site->pages['index.html']->byClass['small'][0])),
        ]);
        $result = $site->survey()->of($override, new Sheet);

        self::assertSame([['visit.html', $kept]], array_map(static fn ($c): array => [$c->page, $c->element], $result->spill()));
        self::assertCount(0, $result->accepted());
        self::assertTrue($result->marked->isKept('visit.html', $kept));
    }

    /** @return iterable<string, array{string, string, ?string}> the page before, the page after, the text of what is found again */
    public static function moves(): iterable
    {
        yield 'unchanged' => ['<p>a</p><p class="x">b</p>', '<p>a</p><p class="x">b</p>', 'b'];
        yield 'something was put in before it' => ['<p>a</p><p class="x">b</p>', '<h1>t</h1><p>a</p><p class="x">b</p>', 'b'];
        yield 'its class was renamed' => ['<p>a</p><p class="x">Open on Friday nights</p>', '<p>z</p><p>a</p><p class="y">Open on Friday nights</p>', 'Open on Friday nights'];
        yield 'its text was edited' => ['<h2>a</h2><p class="lead x">Open on Friday nights</p>', '<h2>b</h2><p class="lead x">Open on Friday and Saturday nights</p>', 'Open on Friday and Saturday nights'];
        yield 'it is gone' => ['<p>a</p><p class="x">b</p>', '<p>a</p>', null];
        yield 'two are equally like it, and neither stands there' => ['<div><p class="x">b</p></div>', '<section></section><i></i><div><p class="x">b</p></div><div><p class="x">b</p></div>', null];
    }

    #[DataProvider('moves')]
    public function test_a_marked_element_is_found_again_as_far_as_it_can_be(string $before, string $after, ?string $text): void
    {
        $old = SiteFixture::one($before, '')->pages['index.html'];
        $element = $old->byClass['x'][0];
        $mark = new Mark('meant', 'index.html', $old->path($element), Fingerprint::of($old, $element));
        $site = SiteFixture::one($after, '');
        $marked = MarkedElements::of([$site->page('index.html')], [$mark]);

        self::assertSame($text, isset($marked->meant['index.html']) ? $site->pages['index.html']->texts[$marked->meant['index.html'][0]] : null);
        self::assertCount($text === null ? 1 : 0, $marked->lost);
    }

    public function test_sleeping_states_are_found_with_what_would_wear_them(): void
    {
        $site = SiteFixture::one('<header class="bar"><a class="brand">x</a></header><ul class="menu"><li class="is-open">a</li><li>b</li></ul><details><summary>q</summary></details>', '
            .bar.is-stuck { background: red } .bar.is-stuck .brand { color: white } .menu li.is-open { color: red } details[open] { border: 0 }
            .bar.bar--big:hover { color: blue } .gone.is-open { color: red } .card.is-open { color: red } .bar { color: red }');
        $found = (new SleepingStates($site->pages))->in([$site->library->sheet('/theme.css') ?? self::fail()]);
        $told = array_map(static fn (SleepingState $s): string => "{$s->wear->on} + {$s->wear->part}, ".count($s->hosts['index.html']).' on, '.count($s->rules).' rules', $found);
        sort($told);

        self::assertSame(['.bar + .bar--big, 1 on, 1 rules', '.bar + .is-stuck, 1 on, 2 rules', '.menu li + .is-open, 1 on, 1 rules', 'details + [open], 1 on, 1 rules'], $told);
    }

    /** @return iterable<array{Wear, string, string}> */
    public static function worn(): iterable
    {
        $stuck = new Wear('.bar', '.is-stuck');
        yield [$stuck, '.bar', '.bar.is-stuck'];
        yield [$stuck, '.bar:hover', '.bar.is-stuck:hover'];
        yield [$stuck, '.page .bar > .brand', '.page .bar.is-stuck > .brand'];
        yield [$stuck, '.brand, .bar', '.bar.is-stuck .brand, .bar.is-stuck'];
        yield [$stuck, '.bar.is-stuck a', '.bar.is-stuck a'];
        yield [new Wear('details', '[open]'), 'details.faq summary', 'details[open].faq summary'];
    }

    #[DataProvider('worn')]
    public function test_a_selector_takes_a_state_in_where_it_belongs(Wear $wear, string $selector, string $expected): void
    {
        self::assertSame($expected, $wear->into($selector));
        if (! str_contains($selector, $wear->part)) {
            self::assertSame($selector, $wear->outOf($expected));
        }
    }

    public function test_an_override_for_a_sleeping_state_is_computed_with_the_state_on(): void
    {
        $site = SiteFixture::one('<header class="bar">x</header>', '.bar { color: black } .bar.is-stuck { color: navy }');
        $override = new Override('o1', '.bar.is-stuck', [new OverrideDeclaration('color', 'gold')], wears: [new Wear('.bar', '.is-stuck')]);
        $result = $site->survey()->of($override, new Sheet);

        self::assertSame(1, $result->reached());
        self::assertSame([['color' => ['rgb(0, 0, 128)', 'rgb(255, 215, 0)']]], array_map(static fn ($c): array => $c->properties, $result->changes));
        self::assertSame(0, $site->survey()->of(new Override('o1', '.bar.is-stuck', $override->declarations), new Sheet)->reached());
    }

    public function test_everything_of_text_leaves_icons_buttons_and_fields_alone(): void
    {
        $site = SiteFixture::one('<div class="card"><h3>t <i class="fa-star">s</i></h3><p>p <a href="#">l</a></p><a class="button" href="#">b <span>x</span></a><input><button>c</button></div>', '');
        $selector = (new TextInside($site->pages))->in('index.html', $site->pages['index.html']->byClass['card'][0], '.card');

        self::assertSame('.card :is(p, h3, a):not(.button)', $selector);
    }

    public function test_a_scope_goes_before_a_selector_where_it_loses_nothing(): void
    {
        $site = SiteFixture::one('<body class="home"><div id="site"><p class="a">x</p></div><p class="b">y</p></body>', '');
        $scope = new Scope('#site', $site->pages);

        self::assertSame(['#site .a', '.home #site .a', '.b', '#site .a, .b'], array_map($scope->before(...), ['.a', '.home .a', '.b', '.a, .b']));
    }
}
