<?php

declare(strict_types=1);

/**
 * Server work for one pick and one trial on the demo site, over a sample of its elements: php bench/answers.php
 *
 * Prints medians in ms, with everything that is cached by content in place, and the first, uncached answer beside them.
 */
use App\Engine\ElementReport;
use App\Engine\OverrideReport;
use App\Engine\SiteEngine;
use App\Models\Site;
use Illuminate\Contracts\Console\Kernel;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Style\Condition;

require __DIR__.'/../vendor/autoload.php';
gc_disable();
(require __DIR__.'/../bootstrap/app.php')->make(Kernel::class)->bootstrap();

$site = Site::query()->where('name', 'Larkmoor Observatory')->firstOrFail();
$snapshot = $site->snapshot() ?? exit("Load the demo first: bin/demo\n");
$time = static function (callable $work): float {
    $start = hrtime(true);
    $work();

    return (hrtime(true) - $start) / 1e6;
};
$median = static function (array $times): string {
    sort($times);

    return sprintf('%.0f ms', $times[intdiv(count($times), 2)]);
};
cache()->clear();
$picks = $tries = [];
$first = null;
foreach (SiteEngine::for($snapshot)->pages() as $path => $page) {
    for ($element = 5; $element < $page->count(); $element += 7) {
        $elapsed = $time(static function () use ($snapshot, $site, $path, $page, $element, &$report): void {
            $report = (new ElementReport(SiteEngine::for($snapshot), $site->sheet()))->of($path, $page->path($element), new Condition);
        });
        gc_collect_cycles();
        $first ??= $elapsed;
        $picks[] = $elapsed;
        $override = new Override('bench', $report['candidates'][0]['selector'], [new OverrideDeclaration('color', 'teal'), new OverrideDeclaration('background-color', 'ivory')]);
        $tries[] = $time(static fn () => (new OverrideReport(SiteEngine::for($snapshot), $site->sheet()))->of($override, new Condition, ''));
    }
}
printf("%d picks over %d pages: median %s (the first, with nothing cached, %.0f ms)\n", count($picks), count(SiteEngine::for($snapshot)->pages()), $median($picks), $first);
printf("%d trials (reach, spill, contrast, win): median %s\n", count($tries), $median($tries));
printf("memory: %.0f MB at most\n", memory_get_peak_usage() / 1e6);
