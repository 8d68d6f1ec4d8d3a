<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\User;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What the bench asks for while it aims. */
final class AimTest extends TestCase
{
    private User $user;

    private Site $site;

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->user();
        $this->site = $this->site($this->user);
        $this->actingAs($this->user);
    }

    /** @param  array<string, mixed>  $body */
    private function ask(string $path, array $body = []): TestResponse
    {
        return $this->postJson("/api/sites/{$this->site->id}/$path", ['width' => 1280, 'height' => 800, 'page' => 'index.html', 'path' => null, ...$body]);
    }

    /** @return array{kind: string, page: string, path: string} */
    private function mark(string $kind, string $class): array
    {
        $page = \App\Engine\SiteEngine::for($this->site->snapshot() ?? self::fail())->pages()['index.html'];

        return ['kind' => $kind, 'page' => 'index.html', 'path' => $page->path($page->byClass[$class][0])];
    }

    public function test_marks_give_selectors_and_are_kept_with_the_override(): void
    {
        $marks = [$this->mark('meant', 'quote'), $this->mark('kept', 'tone-night')];
        $this->ask('aim', ['marks' => $marks])->assertOk()->assertJsonPath('fits.0.fits', true)->assertJsonPath('marks.0.path', $marks[0]['path']);

        $kept = $this->ask('sheet/overrides', ['override' => [...$this->draft('.quote'), 'marks' => $marks], 'revision' => 0])->assertOk()->json('entries.0.marks');
        self::assertSame(['meant', 'kept'], array_column($kept, 'kind'));
        self::assertStringStartsWith('blockquote|', $kept[0]['print']);
        $this->ask('aim', ['marks' => [$marks[0], [...$marks[0], 'kind' => 'kept']]])->assertStatus(422)->assertJsonPath('reason', 'marks-contradict');
    }

    public function test_what_is_to_be_changed_decides_which_selector_comes_first(): void
    {
        $this->site = $this->site($this->user, ['css/theme.css' => '.tone-night .quote { color: #445 }']);
        $marks = [$this->mark('meant', 'quote')];
        $of = fn (array $properties): array => $this->ask('aim', ['marks' => $marks, 'properties' => $properties])->assertOk()->json('fits.0');

        self::assertSame([0, 2, 0], $of(['color'])['specificity']);
        self::assertSame([0, 0, 1], $of(['padding'])['specificity']);
        $this->ask('aim', ['marks' => $marks, 'properties' => ['']])->assertStatus(422);
    }

    public function test_the_sections_of_several_tones_are_put_together(): void
    {
        $sections = implode('', array_map(static fn (string $tone): string => "<section class=\"band $tone\"><p class=\"quote\">x</p></section>", ['tone-night', 'tone-day', 'tone-dusk']));
        $this->site = $this->site($this->user, ['index.html' => "<html><head><link rel=\"stylesheet\" href=\"css/theme.css\"></head><body>$sections</body></html>"]);
        $quote = ['path' => $this->mark('meant', 'quote')['path']];

        $this->ask('pick', $quote)->assertOk()->assertJsonPath('tones.2.tone', 'tone-dusk')->assertJsonPath('tones.2.selector', '.tone-dusk .quote');
        $this->ask('tones', [...$quote, 'tones' => ['tone-night', 'tone-dusk']])->assertOk()->assertJsonPath('selector', ':is(.tone-night, .tone-dusk) .quote')->assertJsonPath('total', 2);
        $this->ask('tones', $quote)->assertStatus(422);
        $this->ask('tones', ['path' => '1.9', 'tones' => ['tone-night']])->assertStatus(404);
    }

    public function test_what_is_marked_to_stay_counts_as_spill(): void
    {
        $draft = ['override' => [...$this->draft('.quote'), 'id' => 'draft', 'marks' => [$this->mark('kept', 'quote')]]];

        $this->ask('try', $draft)->assertOk()->assertJsonPath('changes.0.items.0.kept', true)->assertJsonPath('marks.0.kind', 'kept');
        $groups = $this->ask('weigh', $draft)->assertOk()->json('groups');
        self::assertContains('accept', array_column($groups[0]['mends'], 'kind'));
    }

    public function test_every_width_and_the_raises_are_weighed(): void
    {
        $weighed = $this->ask('weigh', ['override' => [...$this->draft('blockquote'), 'declarations' => [['name' => 'color', 'value' => 'gold', 'important' => false, 'enabled' => true]]]])->assertOk();

        self::assertSame([1280, 375, 768], array_slice(array_column($weighed->json('viewings'), 'width'), 0, 3));
        self::assertSame('specificity', $weighed->json('viewings.0.losses.0.by'));
        self::assertNotEmpty($weighed->json('raises'));
        $this->ask('weigh', ['override' => $this->draft('.a >')])->assertStatus(422)->assertJsonPath('reason', 'broken-selector');
    }

    public function test_texts_that_cannot_be_read_in_another_state_are_told(): void
    {
        $this->site = $this->site($this->user, ['css/theme.css' => '.quote { color: #445 } .quote:hover { color: #fff }']);
        $weighed = $this->ask('weigh', ['override' => ['selector' => '.quote', 'declarations' => [['name' => 'background-color', 'value' => '#eee']]]])->assertOk();
        $failing = array_column($weighed->json('viewings'), 'failing', 'state');

        self::assertSame(['' => 0, 'hover' => 2], $failing);
        self::assertSame('q', $weighed->json('viewings.3.readings.0.excerpt'));
    }

    public function test_a_rule_that_wins_between_two_breakpoints_only_is_found(): void
    {
        $this->site = $this->site($this->user, ['css/theme.css' => '.quote { color: #445 } @media (min-width: 500px) and (max-width: 599px) { p.quote.quote { color: red } }']);
        $weighed = $this->ask('weigh', ['override' => $this->draft('.quote')])->assertOk();
        $losing = array_column(array_filter($weighed->json('viewings'), static fn (array $v): bool => $v['losses'] !== []), 'width');

        self::assertCount(1, $losing);
        self::assertTrue($losing[0] >= 500 && $losing[0] <= 599);
        self::assertNotEmpty($weighed->json('raises'));
    }

    public function test_values_at_a_range_of_their_own_are_kept_and_written(): void
    {
        $own = ['name' => 'color', 'value' => '#ffe9a8', 'widths' => ['from' => null, 'to' => 640]];
        $draft = $this->draft('.quote', 'gold', ['declarations' => [['name' => 'color', 'value' => 'gold'], $own, ['name' => 'box-shadow', 'value' => '0 2px 3px red', 'widths' => $own['widths']]]]);

        $tried = $this->ask('try', ['override' => $draft, 'width' => 375, 'range' => $own['widths']])->assertOk();
        self::assertStringContainsString("@media (max-width: 640px) {\n  .quote {\n    color: #ffe9a8;", $tried->json('css'));
        self::assertSame('2px', $tried->json('shadows.0.y'));
        self::assertSame(375, $tried->json('width'));
        self::assertStringContainsString('1 change at any width and 2 more at 640px and narrower', implode('', array_column($tried->json('sentence'), 'text')));
        self::assertSame([], $this->ask('try', ['override' => $draft])->json('shadows'));

        $kept = $this->ask('sheet/overrides', ['override' => $draft, 'revision' => 0])->assertOk()->json('entries.0.declarations');
        self::assertSame([null, ['from' => null, 'to' => 640], ['from' => null, 'to' => 640]], array_column($kept, 'widths'));
        self::assertStringContainsString('@media (max-width: 640px)', $this->site->refresh()->sheet()->entries[0] instanceof \Insignum\Sheet\Override ? \Insignum\Sheet\SheetWriter::override($this->site->sheet()->entries[0]) : '');
        $this->ask('try', ['override' => [...$draft, 'declarations' => [[...$own, 'widths' => ['to' => 'wide']]]]])->assertStatus(422);
    }

    public function test_what_is_different_on_the_page_is_told_with_and_without_a_draft(): void
    {
        $this->ask('differences')->assertOk()->assertJsonPath('total', 0);
        $this->ask('sheet/overrides', ['override' => $this->draft('.tone-night .quote'), 'revision' => 0]);
        $this->ask('differences')->assertOk()->assertJsonPath('total', 1)->assertJsonPath('changes.0.properties.color', ['rgb(68, 68, 85)', 'rgb(255, 215, 0)']);
        $this->ask('differences', ['override' => $this->draft('p.quote', 'teal')])->assertOk()->assertJsonPath('counts.meant', 2);
        $this->ask('differences', ['page' => 'none.html'])->assertNotFound();
    }

    public function test_a_pseudo_element_is_put_at_the_end_of_a_selector_or_taken_away(): void
    {
        foreach ([['.a, .b:is(.c, .d) > p', 'after', '.a::after, .b:is(.c, .d) > p::after'], ['.a::before, .b', '', '.a, .b'], ['a:hover::before', 'marker', 'a:hover::marker'], ['::selection', '', '*'], ['.a:before', 'after', '.a::after']] as [$selector, $part, $expected]) {
            $this->ask('part', ['selector' => $selector, 'part' => $part])->assertOk()->assertJsonPath('selector', $expected);
        }
        $this->ask('try', ['override' => $this->draft('.quote::before')])->assertJsonPath('selector.part', 'before');
        $this->ask('part', ['selector' => '.a', 'part' => 'x{}'])->assertStatus(422);
    }

    public function test_a_selector_is_looked_at_and_takes_a_state_in(): void
    {
        $this->ask('reach', ['selector' => '.quote'])->assertOk()->assertJsonPath('0.count', 2);
        $this->ask('reach', ['selector' => '.quote >'])->assertStatus(422);
        $this->ask('wear', ['selector' => '.quote', 'on' => '.quote', 'part' => '.is-open'])->assertJsonPath('selector', '.quote.is-open');
        $this->ask('wear', ['selector' => '.quote.is-open', 'on' => '.quote', 'part' => '.is-open', 'off' => true])->assertJsonPath('selector', '.quote');
        $this->getJson("/api/sites/{$this->site->id}/sleeping")->assertOk()->assertJsonIsArray();
    }

    public function test_the_theme_is_looked_up(): void
    {
        $this->getJson("/api/sites/{$this->site->id}/theme?q=quote")->assertOk()->assertJsonPath('rules.0.override.selector', fn (string $s): bool => str_contains($s, 'quote'));
        $this->getJson("/api/sites/{$this->site->id}/theme")->assertStatus(422);
        $this->getJson("/api/sites/{$this->site->id}/variable?name=--none&page=index.html&path=1")->assertOk()->assertJsonPath('total', 0);
    }

    public function test_the_account_goes_page_by_page_and_names_the_override(): void
    {
        $id = $this->ask('sheet/overrides', ['override' => $this->draft('.quote'), 'revision' => 0])->json('entries.0.id');
        $this->getJson("/api/sites/{$this->site->id}/account")->assertOk()->assertJsonPath('overrides.0.reached', 2)->assertJsonPath('pages.0', 'index.html');
        $page = $this->getJson("/api/sites/{$this->site->id}/account/index.html")->assertOk();
        self::assertSame([$id], array_values(array_unique(array_column($page->json('changes'), 'by'))));
        self::assertSame(2, $page->json('counts.meant'));
        $this->getJson("/api/sites/{$this->site->id}/account/none.html")->assertNotFound();
    }

    public function test_a_scope_is_put_in_front_and_a_broken_one_refused(): void
    {
        $this->ask('sheet/scope', ['scope' => 'body'])->assertOk()->assertJsonPath('scope', 'body');
        $picked = $this->ask('pick', ['path' => $this->mark('meant', 'quote')['path']])->assertOk();
        self::assertStringStartsWith('body ', $picked->json('candidates.0.selector'));
        $this->ask('sheet/scope', ['scope' => 'body >'])->assertStatus(422);
        $this->ask('sheet/scope', ['scope' => '.a, .b'])->assertStatus(422);
        self::assertSame('body', $this->site->refresh()->scope);
    }

    public function test_somebody_else_gets_none_of_it(): void
    {
        $this->actingAs($this->user('other@example.test'));
        foreach (['aim', 'reach', 'weigh', 'wear', 'part', 'differences', 'sheet/scope'] as $path) {
            $this->ask($path, ['override' => $this->draft('.quote'), 'selector' => '.quote', 'on' => '.a', 'part' => '.b'])->assertNotFound();
        }
        foreach (['sleeping', 'theme?q=quote', 'account', 'account/index.html', 'variable?name=--a&page=index.html&path=1'] as $path) {
            $this->getJson("/api/sites/{$this->site->id}/$path")->assertNotFound();
        }
    }
}
