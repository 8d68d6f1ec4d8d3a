<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Advice\OverrideAdvice;
use Insignum\Aim\Mender;
use Insignum\Aim\WinCheck;
use Insignum\Effect\Change;
use Insignum\Effect\EffectFinder;
use Insignum\Effect\Survey;
use Insignum\Effect\SurveyResult;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetWriter;
use Insignum\Syntax\Finding;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Random themes, sheets and overrides with a fixed seed: whatever is told is tried, and must be so. */
final class AdviceTruthTest extends TestCase
{
    private const PAGES = [
        'index.html' => '<main id="content"><section class="band tone-night"><h2 class="title">T</h2><blockquote class="quote first" id="q1">a<cite>c</cite></blockquote><p class="lead">x <a href="/a" class="go">go</a> <em>e</em></p></section><section class="band tone-day"><h2 class="title">U</h2><blockquote class="quote" style="color: teal">b</blockquote><p class="lead">y <a href="/b">bo</a></p><ul class="list"><li>1</li><li class="on">2</li></ul></section></main>',
        'ask.html' => '<main id="content"><section class="band tone-night"><blockquote class="quote">d</blockquote><form class="ask"><input class="box" name="a"><button class="go" style="border-top-width: 2px !important">ok</button></form></section><table class="grid"><tr><td class="quote">z</td><td>w</td></tr></table></main>',
    ];

    private const SELECTORS = [
        '.quote', '.band .quote', '.tone-night .quote', '#content .quote', '.title', 'h2', '.band h2', '.lead', '.lead a', 'a', '.go', '.list li', 'li.on', '.tone-night', '.tone-day', '.band',
        'section', 'blockquote, td', '.quote::before', '.go::before', '.box', '#q1', 'main', '.grid td', '.tone-night *', ':where(.band) .lead', '.ask .go, .lead .go',
    ];

    private const DECLARATIONS = [
        ['color', 'red'], ['color', '#445'], ['color', 'inherit'], ['background', 'gold'], ['background', 'none'], ['background-color', '#123'], ['background', 'url(sky.png) center / cover no-repeat #fff'],
        ['background-image', 'linear-gradient(red, blue)'], ['border', '1px solid red'], ['border', 'none'], ['border-left', '3px dotted'], ['border-bottom', '3px solid gold'], ['border-width', '2px 4px'],
        ['border-style', 'solid'], ['border-top-color', 'blue'], ['margin', '0'], ['margin', '20px auto'], ['margin-top', '5px'], ['padding', '0'], ['padding', '1em 2em'], ['font', 'italic 18px/1.2 serif'],
        ['font-weight', '700'], ['font-size', '1.2em'], ['text-decoration', 'underline'], ['text-decoration', 'none'], ['border-radius', '0'], ['border-radius', '4px 8px'], ['list-style', 'none'],
        ['outline', '2px solid green'], ['content', '"x"'], ['--c', 'teal'], ['color', 'var(--c, pink)'], ['display', 'none'], ['box-shadow', '0 1px 2px #000'], ['opacity', '.5'],
    ];

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        foreach (range(1, 8) as $seed) {
            yield "seed $seed" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function test_what_is_told_is_so(int $seed): void
    {
        mt_srand($seed);
        $told = 0;
        for ($i = 0; $i < 30; $i++) {
            $theme = self::theme();
            $site = new SiteFixture(self::PAGES, $theme);
            $override = self::override('o1');
            $entries = array_map(static fn (int $n): Override => self::override("p$n"), range(1, mt_rand(1, 3)));
            array_splice($entries, mt_rand(0, count($entries)), 0, [$override]);
            $sheet = new Sheet($entries);
            $survey = $site->survey();
            $result = $survey->of($override, $sheet);
            $case = "$theme\n".SheetWriter::whole($sheet);
            foreach ((new OverrideAdvice($survey, $site->declarations, static fn (): bool => true))->on($override, $sheet, $result) as $index => $finding) {
                self::assertSame('', $this->untruth($finding, $index, $override, $sheet, $survey, $result, $site), "$finding->message\n$case");
                $told++;
            }
            $this->assertWinsAsTold($override, $survey, $site, $case);
            $told += $this->assertMendsMend($override, $sheet, $survey, $result, $case);
        }
        self::assertGreaterThan(10, $told);
    }

    /** What a finding says that isn't so, or nothing. */
    private function untruth(Finding $finding, int $index, Override $override, Sheet $sheet, Survey $survey, SurveyResult $result, SiteFixture $site): string
    {
        $lines = $override->declarations;
        if ($finding->code === 'wipes') {
            preg_match('/resets ([\w-]+), which/', $finding->message, $m);
            $isReset = array_filter($result->changes, static fn (Change $c): bool => isset($c->properties[$m[1]])) !== [];

            return $isReset ? '' : "$m[1] stays";
        }
        if ($finding->code === 'needless-important') {
            $lines[$index] = $lines[$index]->marked(false);
        } else {
            self::assertContains($finding->code, ['dead', 'wiped']);
            unset($lines[$index]);
        }

        return self::difference($result, $survey->of($override->withDeclarations(array_values($lines)), $sheet), $site);
    }

    /** Where it is said to win, importance adds nothing; where it is raised, it wins and takes what it took. */
    private function assertWinsAsTold(Override $override, Survey $survey, SiteFixture $site, string $case): void
    {
        $override = $override->withDeclarations(array_map(static fn (OverrideDeclaration $d): OverrideDeclaration => $d->marked(false), $override->declarations));
        $win = new WinCheck($survey, $site->declarations);
        $result = $survey->of($override, new Sheet);
        $verdict = $win->of($override, new Sheet, $result, 2);
        if ($verdict->wins()) {
            $important = array_map(static fn (OverrideDeclaration $d): OverrideDeclaration => $d->marked(true), $override->declarations);
            self::assertSame('', self::difference($result, $survey->of($override->withDeclarations($important), new Sheet), $site), "wins, but\n$case");
        }
        foreach ($verdict->raises as $raise) {
            $raised = $survey->of($raise->override, new Sheet);
            self::assertSame([], $win->losses($raise->override, $raised), "$raise->words\n$case");
            self::assertSame($result->reach, $raised->reach, "$raise->words\n$case");
        }
    }

    /** With a mend, none of the group it is for is spilled any more, and all that was meant to change still does. */
    private function assertMendsMend(Override $override, Sheet $sheet, Survey $survey, SurveyResult $result, string $case): int
    {
        $tried = 0;
        foreach ($override->meant === '' ? [] : (new Mender($survey))->of($override, $sheet, $result) as $group) {
            foreach ($group->mends as $mend) {
                $after = $survey->of($mend->override, $sheet, $mend->added);
                foreach ($after->spill() as $change) {
                    self::assertNotContains($change->element, $group->elements[$change->page] ?? [], "$mend->words\n$case");
                }
                self::assertSame([], array_diff(self::meant($result), self::meant($after)), "$mend->words\n$case");
                $tried++;
            }
        }

        return $tried;
    }

    /** @return list<string> the elements that change and were meant to */
    private static function meant(SurveyResult $result): array
    {
        return array_map(static fn (Change $c): string => "$c->page $c->element", array_values(array_filter($result->changes, static fn (Change $c): bool => $c->meant)));
    }

    /** The first thing to be seen that two results differ in. */
    private static function difference(SurveyResult $one, SurveyResult $other, SiteFixture $site): string
    {
        $finder = new EffectFinder($site->declarations->table, visibleOnly: true);
        foreach ($one->after as $path => $styles) {
            foreach ($finder->between($path, $styles, $other->after[$path], [], []) as $change) {
                return "$path: {$site->pages[$path]->path($change->element)} ".json_encode($change->properties, JSON_THROW_ON_ERROR);
            }
        }

        return '';
    }

    private static function theme(): string
    {
        $rules = array_map(static function (): string {
            $lines = array_map(static fn (): string => implode(': ', self::oneOf(self::DECLARATIONS)).(mt_rand(0, 7) === 0 ? ' !important' : ''), range(1, mt_rand(1, 3)));
            $rule = self::oneOf(self::SELECTORS).' { '.implode('; ', $lines).' }';

            return match (mt_rand(0, 9)) {
                0 => "@layer base { $rule }",
                1 => "@media (min-width: 600px) { $rule }",
                default => $rule,
            };
        }, range(1, mt_rand(3, 12)));

        return implode("\n", $rules);
    }

    private static function override(string $id): Override
    {
        $lines = [];
        for ($i = mt_rand(1, 3); $i > 0; $i--) {
            [$name, $value] = self::oneOf(self::DECLARATIONS);
            $lines[$name] = new OverrideDeclaration($name, $value, mt_rand(0, 5) === 0);
        }

        return new Override($id, self::oneOf(self::SELECTORS), array_values($lines), meant: mt_rand(0, 2) === 0 ? self::oneOf(self::SELECTORS) : '');
    }

    /**
     * @template T
     *
     * @param  non-empty-list<T>  $list
     * @return T
     */
    private static function oneOf(array $list): mixed
    {
        return $list[mt_rand(0, count($list) - 1)];
    }
}
