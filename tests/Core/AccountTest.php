<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Effect\Account;
use Insignum\Effect\SeenChange;
use Insignum\Effect\Viewing;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\WidthRange;
use Insignum\Style\Condition;
use PHPUnit\Framework\TestCase;

final class AccountTest extends TestCase
{
    private const BODY = '<main><div class="card"><h2 class="title">A <i>b</i></h2><a class="go" href="#">go</a></div><h2>other</h2></main>';

    /**
     * @param  list<Override>  $overrides
     * @return list<string> `tag: property by override at viewings`
     */
    private function account(array $overrides): array
    {
        $site = SiteFixture::one(self::BODY, '.title { color: navy } @media (max-width: 500px) { .card { background: #eee } }');
        $sheet = new Sheet($overrides);
        $pages = static fn (Condition $condition): array => [$site->page('index.html', $condition)];
        $seen = (new Account($pages, $site->library, $site->declarations->table, $sheet))->of(Account::viewings($sheet));

        return array_map(static fn (SeenChange $s): string => $site->pages['index.html']->tags[$s->change->element].($s->change->meant ? '' : ' (spill)').': '.implode(' ', array_keys($s->change->properties))
            ." by {$s->override} at ".implode(' and ', array_map(static fn (Viewing $v): string => $v->label(), $s->viewings)), $seen);
    }

    private function override(string $id, string $selector, string $property, string $value, string $state = '', WidthRange $widths = new WidthRange, string $meant = ''): Override
    {
        return new Override($id, $selector, [new OverrideDeclaration($property, $value)], state: $state, widths: $widths, meant: $meant);
    }

    public function test_each_change_says_which_override_did_it_and_where_it_is_seen(): void
    {
        self::assertSame([
            'h2: color by one at 375 and 768 and 1280 and 1280, hover and 500',
            'i (spill): color by one at 375 and 768 and 1280 and 1280, hover and 500',
            'a: background-color by two at 1280, hover',
            'h2: opacity by three at 375 and 500',
        ], $this->account([
            $this->override('one', '.title', 'color', 'teal'),
            $this->override('two', '.go', 'background-color', 'gold', 'hover'),
            $this->override('three', 'main > h2', 'opacity', '0.9', widths: new WidthRange(null, 500)),
        ]));
    }

    public function test_what_was_not_meant_is_spill(): void
    {
        self::assertSame(['h2 (spill): letter-spacing by x at 375 and 768 and 1280', 'i (spill): letter-spacing by x at 375 and 768 and 1280', 'h2: letter-spacing by x at 375 and 768 and 1280'], $this->account([
            $this->override('x', 'h2', 'letter-spacing', '1px', meant: 'main > h2'),
        ]));
    }

    public function test_an_override_that_changes_nothing_is_in_no_account(): void
    {
        self::assertSame([], $this->account([$this->override('x', '.title', 'color', 'navy'), $this->override('y', '.none', 'color', 'red')]));
    }

    public function test_a_custom_property_is_traced_to_the_override_that_set_it(): void
    {
        $site = SiteFixture::one('<div class="a"><p>x</p></div>', 'p { color: var(--ink, navy) }');
        $sheet = new Sheet([$this->override('v', '.a', '--ink', 'teal')]);
        $seen = (new Account(static fn (Condition $c): array => [$site->page('index.html', $c)], $site->library, $site->declarations->table, $sheet))->of([new Viewing]);

        self::assertSame(['v'], array_map(static fn (SeenChange $s): ?string => $s->override, $seen));
    }
}
