<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Engine\PreviewAddress;
use App\Models\Snapshot;
use App\Models\User;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SiteTest extends TestCase
{
    /** @return iterable<string, array{string, string, array<string, mixed>}> */
    public static function doors(): iterable
    {
        yield 'page' => ['GET', '/sites/{site}', []];
        yield 'sheet' => ['GET', '/sites/{site}/sheet', []];
        yield 'download' => ['GET', '/sites/{site}/sheet.css', []];
        yield 'releases' => ['GET', '/sites/{site}/releases', []];
        yield 'destination' => ['PUT', '/sites/{site}/destination', ['url' => 'http://practice.test']];
        yield 'pick' => ['POST', '/api/sites/{site}/pick', ['page' => 'index.html', 'path' => '1', 'width' => 1280, 'height' => 800]];
        yield 'try' => ['POST', '/api/sites/{site}/try', ['override' => ['selector' => '.quote', 'declarations' => []], 'page' => 'index.html', 'width' => 1280, 'height' => 800]];
        yield 'tree' => ['GET', '/api/sites/{site}/tree/index.html', []];
        yield 'progress' => ['GET', '/api/sites/{site}/snapshot', []];
        yield 'cancel' => ['POST', '/api/sites/{site}/snapshot/cancel', []];
        yield 'draft' => ['GET', '/api/sites/{site}/sheet', []];
        yield 'keep' => ['POST', '/api/sites/{site}/sheet/overrides', ['override' => ['selector' => '.quote', 'declarations' => []], 'revision' => 0]];
        yield 'undo' => ['POST', '/api/sites/{site}/sheet/undo', ['revision' => 0]];
        yield 'release' => ['POST', '/api/sites/{site}/releases', ['revision' => 0]];
        yield 'bring back' => ['POST', '/api/sites/{site}/releases/1/again', []];
    }

    /** @param  array<string, mixed>  $body */
    #[DataProvider('doors')]
    public function test_another_users_site_does_not_exist(string $method, string $address, array $body): void
    {
        $site = $this->site($this->user());
        $url = str_replace('{site}', (string) $site->id, $address);

        $this->actingAs($this->user())->json($method, $url, $body)->assertNotFound();
        auth()->logout();
        $this->json($method, $url, $body)->assertUnauthorized();
    }

    public function test_each_page_is_shown_with_what_the_core_says_of_the_site(): void
    {
        $site = $this->site($user = $this->user(), ['css/theme.css' => '.quote { color: #445 } @media (max-width: 699px) { .quote.is-open { color: red; top: 0 } }']);
        $this->actingAs($user);
        $shown = fn (string $address): array => (array) $this->get($address, ['X-Inertia' => 'true', 'X-Inertia-Version' => (string) (new \App\Http\Middleware\HandleInertiaRequests)->version(request())])->assertOk()->json();

        self::assertSame(['Sites', 'Larkmoor'], [($sites = $shown('/sites'))['component'], $sites['props']['sites'][0]['name']]);
        self::assertSame('AddSite', $shown('/sites/new')['component']);
        $restyle = $shown("/sites/{$site->id}");
        self::assertSame(['Restyle', [700], 'index.html', 'Home'], [$restyle['component'], $restyle['props']['breakpoints'], $restyle['props']['pages'][0]['path'], $restyle['props']['pages'][0]['title']]);
        self::assertSame(['Sheet', 0], [($sheet = $shown("/sites/{$site->id}/sheet"))['component'], $sheet['props']['sheet']['revision']]);
        self::assertSame('Releases', $shown("/sites/{$site->id}/releases")['component']);

        $asleep = $this->getJson("/api/sites/{$site->id}/sleeping")->assertOk()->json();
        self::assertSame(['.is-open', ['index.html' => 2], 'css/theme.css', ['color: red', 'top: 0']], [$asleep[0]['part'], $asleep[0]['pages'], $asleep[0]['first'][0]['file'], $asleep[0]['first'][0]['changes']]);
        $site->snapshot()?->update(['state' => Snapshot::READING]);
        self::assertSame('Arriving', $shown("/sites/{$site->id}")['component']);
    }

    public function test_preview_files_come_by_signed_address_only_with_nothing_else_allowed_to_run(): void
    {
        $site = $this->site($this->user(), ['img/a.svg' => '<svg xmlns="http://www.w3.org/2000/svg"/>']);
        $base = (string) parse_url(PreviewAddress::base($site->snapshot()), PHP_URL_PATH);

        $page = $this->get("$base/index.html")->assertOk()->assertCookieMissing('insignum_session');
        $policy = (string) $page->headers->get('Content-Security-Policy');
        preg_match("/script-src 'nonce-([^']+)'/", $policy, $nonce);
        self::assertStringContainsString("default-src 'none'", $policy);
        self::assertStringContainsString('sandbox allow-scripts', $policy);
        self::assertStringNotContainsString('allow-same-origin', $policy);
        self::assertSame(1, substr_count((string) $page->getContent(), '<script nonce="'.$nonce[1].'"'));
        self::assertStringContainsString("src=\"$base/img/a.png\"", (string) $page->getContent(), 'addresses from the root lead into the snapshot');
        $this->get("$base/css/theme.css")->assertOk()->assertHeader('Access-Control-Allow-Origin', '*')->assertSee("url($base/img/a.png)", false);
        self::assertStringContainsString('sandbox', (string) $this->get("$base/img/a.svg")->assertOk()->headers->get('Content-Security-Policy'));

        $this->get("$base/nope.html")->assertNotFound();
        $this->get(substr($base, 0, -1).'x/index.html')->assertNotFound();
        $this->get(str_replace("/{$site->snapshot()?->id}-", '/999-', $base).'/index.html')->assertNotFound();
        $this->travel(2)->days();
        $this->get("$base/index.html")->assertNotFound();
    }

    public function test_picking_gives_what_sets_the_look_and_candidates_with_counts(): void
    {
        $site = $this->site($user = $this->user());
        $answer = $this->actingAs($user)->postJson("/api/sites/{$site->id}/pick", ['page' => 'index.html', 'path' => '1.0.0', 'width' => 1280, 'height' => 800])->assertOk();

        $answer->assertJsonPath('noun', 'quotation')->assertJsonPath('candidates.0.selector', '.quote')->assertJsonPath('candidates.0.total', 2)->assertJsonPath('candidates.1.selector', '.tone-night .quote')->assertJsonPath('proposed', '.tone-night .quote');
        $colour = collect($answer->json('provenance'))->firstWhere('property', 'color');
        self::assertSame(['css/theme.css', 1, '.quote', 'color: #445'], [$colour['setBy']['file'], $colour['setBy']['line'], $colour['setBy']['selector'], $colour['setBy']['declaration']]);
        $this->postJson("/api/sites/{$site->id}/pick", ['page' => 'index.html', 'path' => '9.9', 'width' => 1280, 'height' => 800])->assertNotFound()->assertJsonPath('reason', 'no-element');
    }

    public function test_trying_tells_reach_spill_and_readability_and_changes_nothing(): void
    {
        $site = $this->site($user = $this->user());
        $try = fn (array $override) => $this->actingAs($user)->postJson("/api/sites/{$site->id}/try", ['override' => $override, 'page' => 'index.html', 'width' => 1280, 'height' => 800]);

        $try($this->draft('.quote', '#fefefe', ['meant' => '.tone-night .quote']))->assertOk()
            ->assertJsonPath('pages.0.count', 2)->assertJsonPath('pages.0.spilled', 1)->assertJsonPath('changes.0.items.0.label', 'p.quote')
            ->assertJsonPath('readings.0.fails', true)->assertJsonPath('verdict.wins', true);
        $place = fn (string $path) => $this->postJson("/api/sites/{$site->id}/try", ['override' => $this->draft('.quote'), 'page' => 'index.html', 'path' => $path, 'width' => 1280, 'height' => 800])->json('place');
        self::assertSame([['number' => 1, 'of' => 2], ['number' => 2, 'of' => 2], null], [$place('1.0.0'), $place('1.1'), $place('1')]);
        $try($this->draft('.quote >'))->assertOk()->assertJsonPath('selector.ok', false)->assertJsonPath('selector.offset', 8);
        $try($this->draft('.qoute'))->assertOk()->assertJsonPath('selector.fix', '.quote');
        $try($this->draft('.quote', 'golden'))->assertOk()->assertJsonPath('declarations.0.code', 'invalid-value');
        $try($this->draft('.quote', 'red } body { color: red'))->assertUnprocessable();
        self::assertSame(0, $site->refresh()->revision);
    }

    public function test_signing_in_is_throttled_and_passwords_are_hashed(): void
    {
        $user = $this->user();
        self::assertStringStartsWith('$2y$', (string) $user->getAuthPassword());
        $this->post('/login', ['email' => $user->email, 'password' => 'a long password'])->assertRedirect('/sites');
        $this->post('/logout');
        for ($i = 0; $i < 8; $i++) {
            $this->postJson('/login', ['email' => 'x@example.org', 'password' => 'wrong'])->assertUnprocessable();
        }
        $this->postJson('/login', ['email' => 'x@example.org', 'password' => 'wrong'])->assertTooManyRequests();
    }

    public function test_accounts_and_the_demo_door(): void
    {
        $this->post('/register', ['name' => 'Ivo', 'email' => 'Ivo@example.org', 'password' => 'short'])->assertSessionHasErrors('password');
        $this->post('/register', ['name' => 'Ivo', 'email' => 'Ivo@example.org', 'password' => 'long enough now'])->assertRedirect('/sites');
        self::assertTrue(User::query()->where('email', 'ivo@example.org')->exists());
        $this->post('/logout');
        config(['insignum.demo' => false]);
        $this->post('/login/demo')->assertNotFound();
    }

    public function test_a_site_that_is_being_read_shows_its_progress(): void
    {
        $site = ($user = $this->user())->sites()->create(['name' => 'New']);
        $site->snapshots()->create(['number' => 1, 'state' => Snapshot::READING, 'progress' => 40]);

        $this->actingAs($user)->get("/sites/{$site->id}")->assertOk()->assertSee('Arriving', false);
        $this->getJson("/api/sites/{$site->id}/snapshot")->assertJsonPath('progress', 40);
        $this->postJson("/api/sites/{$site->id}/snapshot/cancel")->assertJsonPath('state', 'cancelled');
    }
}
