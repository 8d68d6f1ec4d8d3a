<?php

declare(strict_types=1);

namespace Tests\Feature;

use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\File;
use Tests\TestCase;

/** The command line: what it prints, and what it exits with. */
final class CommandTest extends TestCase
{
    private string $root;

    protected function setUp(): void
    {
        parent::setUp();
        $this->root = sys_get_temp_dir().'/insignum-'.uniqid();
        File::ensureDirectoryExists("{$this->root}/css");
        File::put("{$this->root}/index.html", '<!doctype html><link rel="stylesheet" href="css/a.css"><link rel="stylesheet" href="https://far.example/b.css"><p class="quote">x<b>y</b></p><i>z</i>');
        File::put("{$this->root}/css/a.css", '.quote { background: url(../img/x.png) } #x .quote {} p.quote.quote { width: 5px }');
        File::put("{$this->root}/sheet.css", ".quote { color: gold; width: 1px }\n.qoute { top: 0; colr: red }");
    }

    protected function tearDown(): void
    {
        File::deleteDirectory($this->root);
        parent::tearDown();
    }

    /** @return array<string, mixed> */
    private function answer(string $command, array $arguments, int $exit = 0): array
    {
        self::assertSame($exit, Artisan::call($command, $arguments));
        $output = Artisan::output();

        return json_decode(substr($output, (int) strpos($output, '{')), true, flags: JSON_THROW_ON_ERROR);
    }

    public function test_computed_prints_every_element_with_every_tracked_property(): void
    {
        $rows = $this->answer('insignum:computed', ['page' => ['index.html'], '--root' => $this->root, '--sheet' => "{$this->root}/sheet.css"])['index.html'];

        self::assertSame([['', 'html'], ['0', 'head'], ['0.0', 'link'], ['0.1', 'link'], ['1', 'body'], ['1.0', 'p'], ['1.0.0', 'b'], ['1.1', 'i']], array_map(static fn (array $r): array => [$r[0], $r[1]], $rows));
        self::assertSame('rgb(255, 215, 0)', $rows[6][2]['color']);
        self::assertSame('url("/img/x.png")', $rows[5][2]['background-image']);
        self::assertCount(36, $rows[0][2]);
    }

    public function test_effect_tells_cause_and_meaning(): void
    {
        $changed = $this->answer('insignum:effect', ['page' => ['index.html'], '--root' => $this->root, '--sheet' => "{$this->root}/sheet.css", '--meant' => 'p'])['changed'];

        self::assertSame([['1.0', 'matched', true], ['1.0.0', 'inherited', false]], array_map(static fn (array $c): array => [$c['path'], $c['cause'], $c['meant']], $changed));
        self::assertSame(['rgb(0, 0, 0)', 'rgb(255, 215, 0)'], $changed[1]['properties']['color']);
    }

    public function test_aim_prints_selectors_with_their_reach_and_names_bad_marks(): void
    {
        $candidates = $this->answer('insignum:aim', ['page' => ['index.html'], '--root' => $this->root, '--mean' => ['index.html#1.0'], '--keep' => ['index.html#1.1']])['candidates'];

        self::assertSame(['selector' => '.quote', 'specificity' => [0, 1, 0], 'reach' => ['index.html' => 1], 'exact' => true, 'reasons' => []], $candidates[0]);
        foreach ([['--mean' => []], ['--mean' => ['index.html#9']], ['--mean' => ['none.html#1']], ['--mean' => ['index.html#1.0'], '--keep' => ['index.html#1.0']]] as $bad) {
            self::assertSame(2, Artisan::call('insignum:aim', ['page' => ['index.html'], '--root' => $this->root, ...$bad]));
        }
    }

    public function test_check_finds_and_exits_by_severity(): void
    {
        $findings = $this->answer('insignum:check', ['sheet' => "{$this->root}/sheet.css", 'page' => ['index.html'], '--root' => $this->root], 1)['findings'];

        self::assertSame([['loses', 1, 23], ['hits-nothing', 2, 1], ['unknown-property', 2, 18]], array_map(static fn (array $f): array => [$f['code'], $f['line'], $f['column']], $findings));
        self::assertSame(['.quote', 'color'], [$findings[1]['fix'], $findings[2]['fix']]);
        File::put("{$this->root}/fine.css", '.quote { color: red; --own: anything; transition: color 1s }');
        self::assertSame([], $this->answer('insignum:check', ['sheet' => "{$this->root}/fine.css"])['findings']);
        File::put("{$this->root}/dead.css", '.nope { top: 0 }');
        $this->answer('insignum:check', ['sheet' => "{$this->root}/dead.css", 'page' => ['index.html'], '--root' => $this->root]);
        $this->answer('insignum:check', ['sheet' => "{$this->root}/dead.css", 'page' => ['index.html'], '--root' => $this->root, '--fail-on' => 'warning'], 1);
    }

    public function test_unusable_input_exits_with_2(): void
    {
        self::assertSame(2, Artisan::call('insignum:computed', ['page' => ['index.html'], '--root' => '/nowhere']));
        self::assertSame(2, Artisan::call('insignum:computed', ['page' => ['../../etc/passwd'], '--root' => $this->root]));
        self::assertSame(2, Artisan::call('insignum:effect', ['page' => ['index.html'], '--root' => $this->root, '--sheet' => '/nowhere.css']));
        self::assertSame(2, Artisan::call('insignum:effect', ['page' => ['index.html'], '--root' => $this->root, '--sheet' => "{$this->root}/sheet.css", '--meant' => '.a >']));
        self::assertSame(2, Artisan::call('insignum:check', ['sheet' => '/nowhere.css']));
        self::assertSame(2, Artisan::call('insignum:check', ['sheet' => "{$this->root}/sheet.css", '--fail-on' => 'never']));
    }
}
