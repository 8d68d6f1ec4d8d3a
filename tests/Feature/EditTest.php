<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\User;
use Illuminate\Http\Client\Request;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Http;
use Illuminate\Testing\TestResponse;
use Tests\TestCase;

/** What the editors of the bench ask for, and the images that an owner puts in. */
final class EditTest extends TestCase
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
        return $this->postJson("/api/sites/{$this->site->id}/$path", $body);
    }

    private function bring(string $name = 'Night Sky.png', ?string $replaces = null, int $width = 40): TestResponse
    {
        return $this->post("/api/sites/{$this->site->id}/images", ['file' => UploadedFile::fake()->image($name, $width, 20), ...($replaces === null ? [] : ['replaces' => $replaces])], ['Accept' => 'application/json']);
    }

    public function test_a_colour_in_the_terms_of_the_picker_against_what_is_behind_it(): void
    {
        $this->ask('colour', ['value' => '#777', 'behind' => ['white'], 'needed' => 4.5])->assertOk()
            ->assertJsonPath('hex', '#777777')->assertJsonPath('ratio', 4.48)->assertJsonPath('chroma', 0)->assertJsonPath('inGamut', true)
            ->assertJsonPath('nearest', fn (string $hex): bool => preg_match('/\A#7[0-6]7[0-6]7[0-6]\z/', $hex) === 1)
            ->assertJsonPath('palette.0.hex', '#444455');
        $this->ask('colour', ['value' => 'oklch(60% 0.3 150)'])->assertJsonPath('inGamut', false)->assertJsonPath('ratio', null);
        self::assertSame([], $this->ask('colour', ['value' => 'none of that'])->assertOk()->json());
    }

    public function test_typed_css_is_read_with_findings_at_their_places(): void
    {
        $read = $this->ask('css', ['css' => "/* why */\n.a:hover {\n  color: gold;\n  colr: red;\n}"])->assertOk();

        self::assertSame(['.a', 'hover', 'why'], [$read->json('override.selector'), $read->json('override.state'), $read->json('override.note')]);
        self::assertSame([38, 47, 'color'], [$read->json('findings.0.from'), $read->json('findings.0.to'), $read->json('findings.0.fix')]);
        $this->ask('css', ['css' => '.a { color: red } .b { color: red }'])->assertJsonPath('override', null);
        $this->ask('css', ['css' => '.a { color: '])->assertOk();
        $this->getJson("/api/sites/{$this->site->id}/vocabulary")->assertOk()->assertJsonPath('classes', ['page-home', 'tone-night', 'quote'])->assertJsonPath('keywords.background-attachment', ['scroll', 'fixed', 'local']);
    }

    public function test_an_image_is_put_in_measured_fitted_and_replaced_under_its_address(): void
    {
        $this->bring()->assertCreated()->assertJsonPath('path', '-/images/night-sky.png')->assertJsonPath('width', 40);
        $this->bring()->assertJsonPath('path', '-/images/night-sky-2.png');
        $this->ask('fit', ['address' => '/-/images/night-sky.png', 'size' => 'cover', 'position' => 'center', 'repeat' => 'no-repeat', 'width' => 80, 'height' => 80])
            ->assertOk()->assertJsonPath('fit.width', 160)->assertJsonPath('fit.cropped', 0.5)->assertJsonPath('fit.x', -40)->assertJsonPath('fit.subject.isSeen', true);
        $this->ask('fit', ['address' => '/-/images/night-sky.png', 'size' => 'cover', 'position' => 'center', 'repeat' => 'no-repeat', 'width' => 80, 'height' => 80, 'point' => [0.05, 0.5]])->assertJsonPath('fit.subject.isSeen', false);
        $this->bring('other.png', 'night-sky.png', 64)->assertCreated()->assertJsonPath('path', '-/images/night-sky.png')->assertJsonPath('width', 64);
        $this->bring('other.jpg', 'night-sky.png')->assertStatus(422)->assertJsonPath('reason', 'other-kind');
        $this->post("/api/sites/{$this->site->id}/images", ['file' => UploadedFile::fake()->createWithContent('evil.png', '<?php')], ['Accept' => 'application/json'])->assertStatus(422)->assertJsonPath('reason', 'no-image');
        $base = (string) parse_url(\App\Engine\PreviewAddress::base($this->site->snapshot() ?? self::fail()), PHP_URL_PATH);
        $this->get("$base/-/images/night-sky.png")->assertOk()->assertHeader('Content-Type', 'image/png');
    }

    public function test_images_go_live_before_the_sheet_that_uses_them_and_only_once(): void
    {
        $sent = [];
        $live = '';
        Http::fake(function (Request $request) use (&$sent, &$live) {
            if ($request->method() === 'PUT') {
                $sent[] = (string) parse_url($request->url(), PHP_URL_PATH).' '.$request->header('Content-Type')[0];
                $live = str_contains($request->url(), '/-/sheet') ? $request->body() : $live;
            }

            return match (true) {
                $request->method() === 'PUT' => Http::response('', 204, ['ETag' => '"'.md5($live).'"']),
                str_contains($request->url(), '/-/sheet') => Http::response($live, 200, ['ETag' => '"'.md5($live).'"']),
                default => Http::response('<html><head><link rel="stylesheet" href="/-/sheet.css"></head></html>'),
            };
        });
        $this->bring();
        $draft = $this->draft('.quote', more: ['declarations' => [['name' => 'background-image', 'value' => 'url("/-/images/night-sky.png")']]]);
        $this->ask('sheet/overrides', ['override' => $draft, 'revision' => 0])->assertOk();
        $this->getJson("/api/sites/{$this->site->id}/images")->assertJsonPath('0.uses.0.selector', '.quote')->assertJsonPath('0.isLive', false);
        $this->deleteJson("/api/sites/{$this->site->id}/images/night-sky.png")->assertStatus(409);
        $this->ask('releases', ['revision' => 1])->assertCreated();
        self::assertSame(['/-/images/night-sky.png image/png', '/-/sheet text/css; charset=utf-8'], $sent);
        $this->ask('sheet/headings', ['text' => 'Night', 'revision' => 1])->assertOk();
        $this->ask('releases', ['revision' => 2])->assertCreated();
        self::assertSame('/-/sheet text/css; charset=utf-8', $sent[2] ?? null);
        self::assertCount(3, $sent);
    }

    public function test_what_hides_a_background_is_told_from_measured_boxes(): void
    {
        $pages = \App\Engine\SiteEngine::for($this->site->snapshot() ?? self::fail())->pages();
        $page = $pages['index.html'];
        $quote = $page->path($page->byClass['quote'][0]);
        $image = $page->path($page->byTag['img'][0]);

        $this->ask('covered', ['override' => $this->draft(), 'page' => 'index.html', 'path' => null, 'width' => 1280, 'height' => 800, 'boxes' => [[$quote, 0, 0, 100, 100], [$image, 0, 0, 100, 25]]])
            ->assertOk()->assertJsonPath('share', 0.25)->assertJsonPath('by.0.label', 'img');
    }

    public function test_somebody_else_gets_none_of_it(): void
    {
        $this->bring();
        $this->actingAs($this->user());
        foreach (['colour' => ['value' => 'red'], 'css' => ['css' => ''], 'fit' => ['address' => '/a.png', 'size' => 'auto', 'position' => '0 0', 'repeat' => 'repeat', 'width' => 1, 'height' => 1]] as $path => $body) {
            $this->ask($path, $body)->assertNotFound();
        }
        $this->bring()->assertNotFound();
        $this->getJson("/api/sites/{$this->site->id}/images")->assertNotFound();
        $this->deleteJson("/api/sites/{$this->site->id}/images/night-sky.png")->assertNotFound();
    }
}
