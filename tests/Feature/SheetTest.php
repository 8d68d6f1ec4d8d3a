<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Release;
use App\Models\Site;
use App\Models\User;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Http;
use PDO;
use PDOException;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

final class SheetTest extends TestCase
{
    private User $user;

    private Site $site;

    /** What the host has, and how it answers: the practice host's ways, in short. */
    private string $live = '';

    private string $mood = 'well';

    protected function setUp(): void
    {
        parent::setUp();
        $this->user = $this->user();
        $this->site = $this->site($this->user);
        $this->actingAs($this->user);
        Http::fake(fn (Request $request) => match (true) {
            $this->mood === 'down' => throw new ConnectionException('Connection refused'),
            $this->mood === 'failing' => Http::response('', 500),
            $this->mood === 'refusing' || ($request->method() === 'PUT' && $request->header('Authorization')[0] !== 'Bearer secret') => Http::response('', 403),
            $request->method() === 'PUT' && $request->header('If-Match')[0] !== '"'.md5($this->live).'"' => Http::response('', 412),
            $request->method() === 'PUT' => $this->take($request->body()),
            str_contains($request->url(), '/-/sheet') => Http::response($this->live, 200, ['ETag' => '"'.md5($this->live).'"']),
            default => Http::response('<html><head><link rel="stylesheet" href="/theme.css"><link rel="stylesheet" href="/-/sheet.css?v=1"></head></html>'),
        });
    }

    private function take(string $css): mixed
    {
        $this->live = $this->mood === 'forgetful' ? $this->live : $css;

        return Http::response('', 204, ['ETag' => '"'.md5($css).'"']);
    }

    private function api(string $path, array $body = []): \Illuminate\Testing\TestResponse
    {
        return $this->postJson("/api/sites/{$this->site->id}$path", $body);
    }

    public function test_keeping_changing_ordering_and_undoing_across_requests(): void
    {
        $first = $this->api('/sheet/overrides', ['override' => $this->draft('.quote'), 'revision' => 0])->assertOk()->json('entries.0');
        $this->api('/sheet/overrides', ['override' => $this->draft('.tone-night'), 'revision' => 1])->assertJsonPath('entries.1.selector', '.tone-night')->assertJsonPath('entries.1.reach', 1);
        $this->api('/sheet/headings', ['text' => 'Night', 'revision' => 2])->assertOk();
        $this->api("/sheet/entries/{$first['id']}/move", ['position' => 2, 'revision' => 3])->assertJsonPath('entries.2.id', $first['id']);
        $this->api("/sheet/entries/{$first['id']}/switch", ['enabled' => false, 'revision' => 4])->assertJsonPath('entries.2.enabled', false);
        $this->get("/sites/{$this->site->id}/sheet.css")->assertOk()->assertDownload('larkmoor-overrides.css')->assertSee("/* # Night */\n\n/* why */\n/* off:\n.quote {", false);
        $this->api("/sheet/entries/{$first['id']}/remove", ['revision' => 5])->assertJsonCount(2, 'entries');
        $this->api('/sheet/undo', ['revision' => 6])->assertJsonCount(3, 'entries')->assertJsonPath('redo', 'Removal of .quote');
        $this->api('/sheet/undo', ['revision' => 5])->assertJsonPath('entries.2.enabled', true);
        $this->api('/sheet/redo', ['revision' => 4])->assertJsonPath('entries.2.enabled', false);
        $this->api('/sheet/import', ['css' => "/* note */\n.badge { color: black }\n@media print { a { top: 0 } b { top: 0 } }", 'revision' => 5])->assertJsonPath('entries.3.note', 'note')->assertJsonPath('entries.4.kind', 'raw');
        $this->getJson("/api/sites/{$this->site->id}/sheet")->assertJsonCount(5, 'entries');
    }

    public function test_a_second_tab_never_overwrites_silently(): void
    {
        $this->api('/sheet/overrides', ['override' => $this->draft('.quote'), 'revision' => 0])->assertOk();
        $this->api('/sheet/overrides', ['override' => $this->draft('.tone-night'), 'revision' => 0])->assertConflict()->assertJsonPath('reason', 'saved-elsewhere')->assertJsonPath('revision', 1);
        $this->getJson("/api/sites/{$this->site->id}/sheet")->assertJsonCount(1, 'entries')->assertJsonPath('entries.0.selector', '.quote');
        $this->api('/releases', ['revision' => 0])->assertConflict();
    }

    public function test_a_broken_selector_is_not_kept(): void
    {
        $this->api('/sheet/overrides', ['override' => $this->draft('.quote >'), 'revision' => 0])->assertUnprocessable()->assertJsonPath('reason', 'broken-selector');
        self::assertSame(0, $this->site->refresh()->revision);
    }

    public function test_a_release_goes_live_is_proven_and_can_be_brought_back(): void
    {
        $this->api('/sheet/overrides', ['override' => $this->draft('.quote', 'gold'), 'revision' => 0]);
        $this->api('/releases', ['revision' => 1])->assertCreated()->assertJsonPath('number', 1)->assertJsonPath('state', 'live')->assertJsonPath('proof.same', true);
        self::assertSame("/* why */\n.quote {\n  color: gold;\n}\n", $this->live);
        $this->api('/sheet/overrides', ['override' => $this->draft('.tone-night', 'teal'), 'revision' => 1]);
        $this->api('/releases', ['revision' => 2])->assertCreated()->assertJsonPath('number', 2);
        self::assertStringContainsString('teal', $this->live);
        $this->api('/releases/1/again')->assertCreated()->assertJsonPath('number', 3)->assertJsonPath('restoredFrom', 1);
        self::assertStringNotContainsString('teal', $this->live);
        self::assertSame(['live', 'replaced', 'replaced'], $this->site->releases()->pluck('state')->all());
        $this->api('/releases/1/draft', ['revision' => 2])->assertOk();
        $this->getJson("/api/sites/{$this->site->id}/sheet")->assertJsonCount(1, 'entries')->assertJsonPath('changed', false);
    }

    /** @return iterable<array{string, string, int}> */
    public static function moods(): iterable
    {
        yield ['down', 'host-down', 0];
        yield ['failing', 'host-fails', 0];
        yield ['refusing', 'host-refuses', 0];
        yield ['forgetful', 'not-proven', 1];
    }

    #[DataProvider('moods')]
    public function test_a_host_in_a_bad_mood_leaves_the_live_release_as_it_was(string $mood, string $reason, int $rows): void
    {
        $this->api('/sheet/overrides', ['override' => $this->draft(), 'revision' => 0]);
        $this->mood = $mood;
        $answer = $this->api('/releases', ['revision' => 1])->assertStatus(502)->assertJsonPath('reason', $reason);

        self::assertNotEmpty($answer->json('message'));
        self::assertSame('', $this->live);
        self::assertNull($this->site->liveRelease());
        self::assertSame($rows, $this->site->releases()->where('state', Release::FAILED)->count());
        $this->mood = 'well';
        $this->api('/releases', ['revision' => 1])->assertCreated();
    }

    public function test_a_sheet_that_somebody_else_changed_is_not_overwritten_unless_one_says_so(): void
    {
        $this->api('/sheet/overrides', ['override' => $this->draft(), 'revision' => 0]);
        $this->live = '.by-hand { top: 0 }';
        $this->api('/releases', ['revision' => 1])->assertConflict()->assertJsonPath('reason', 'changed-elsewhere')->assertJsonPath('live', '.by-hand { top: 0 }');
        self::assertSame('.by-hand { top: 0 }', $this->live);
        $this->api('/releases', ['revision' => 1, 'overwrite' => true])->assertCreated();
    }

    /** @return iterable<array{string, string}> */
    public static function addresses(): iterable
    {
        yield ['http://127.0.0.1:8401', 'private-address'];
        yield ['http://[::1]/', 'private-address'];
        yield ['http://10.1.2.3', 'private-address'];
        yield ['http://169.254.169.254', 'private-address'];
        yield ['http://100.64.0.1', 'private-address'];
        yield ['http://0.0.0.0', 'private-address'];
        yield ['http://user@practice.test', 'bad-address'];
        yield ['http://no-such-host.invalid', 'host-unknown'];
    }

    #[DataProvider('addresses')]
    public function test_private_and_loopback_addresses_are_refused(string $url, string $reason): void
    {
        $this->site->update(['destination_url' => $url]);
        $this->api('/sheet/overrides', ['override' => $this->draft(), 'revision' => 0]);

        $this->api('/releases', ['revision' => 1])->assertStatus(422)->assertJsonPath('reason', $reason);
    }

    public function test_a_change_holds_its_place_in_the_line_while_other_requests_write(): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'line');
        config(['database.connections.file' => ['database' => $file] + config('database.connections.sqlite')]);
        $this->artisan('migrate', ['--database' => 'file', '--force' => true]);
        DB::setDefaultConnection('file');
        $this->site = $this->site($user = $this->user());
        $other = new PDO("sqlite:$file", options: [PDO::ATTR_TIMEOUT => 0]);
        $refused = null;
        DB::listen(function () use ($other, &$refused): void {
            if (DB::transactionLevel() > 0 && $refused === null) {
                $refused = false;
                try {
                    $other->exec("update users set name = 'Somebody'");
                } catch (PDOException) {
                    $refused = true;
                }
            }
        });
        $response = $this->actingAs($user)->api('/sheet/overrides', ['override' => $this->draft(), 'revision' => 0]);
        DB::disconnect('file');
        DB::setDefaultConnection('sqlite');
        $response->assertOk();
        $this->assertTrue($refused, 'Another could write between its first statement and its last.');
        array_map(unlink(...), (array) glob("$file*"));
    }
}
