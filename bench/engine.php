<?php

declare(strict_types=1);

/**
 * The engine against symfony/css-selector with XPath on the same files, as ratios in one run, and how it grows with pages.
 *
 *   php bench/engine.php [ROOT PAGE]     by default startbootstrap-creative from node_modules
 */
use Insignum\Effect\SitePage;
use Insignum\Effect\Survey;
use Insignum\Page\PageReader;
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\States;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\SheetCompiler;
use Insignum\Style\StyleSet;
use Symfony\Component\CssSelector\CssSelectorConverter;

require __DIR__.'/../vendor/autoload.php';

// As where the application answers: App\Http\Controllers\Api\InspectController says why.
gc_disable();

$root = $argv[1] ?? __DIR__.'/../node_modules/startbootstrap-creative/dist';
$file = $argv[2] ?? 'index.html';
$html = (string) file_get_contents("$root/$file");
$css = '';
foreach (glob("$root/css/*.css") ?: [] as $sheet) {
    $css .= file_get_contents($sheet)."\n";
}
$median = static function (callable $work, int $rounds = 5): float {
    $times = [];
    for ($i = 0; $i < $rounds; $i++) {
        $start = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $start) / 1e6;
    }
    sort($times);

    return $times[intdiv($rounds, 2)];
};

$page = PageReader::read($html);
$compiled = (new SheetCompiler(new Declarations))->compile($css, '/theme.css');
/** @var list<ComplexSelector> $selectors */
$selectors = array_merge(...array_map(static fn ($rule): array => $rule->selectors->selectors, $compiled->rules()));
$texts = array_values(array_unique(array_map(static fn (ComplexSelector $s): string => $s->text, $selectors)));
printf("%s: %d elements, %d selectors, %d kB of CSS\n\n", $file, $page->count(), count($selectors), strlen($css) / 1024);

$whole = $median(static fn () => (new SheetCompiler(new Declarations))->compile($css, '/theme.css'), 3);
$match = static function () use ($page, $selectors): void {
    $matcher = new Matcher($page);
    foreach ($selectors as $selector) {
        $matcher->select($selector);
    }
};
$matching = $median($match);

$document = new DOMDocument;
@$document->loadHTML($html);
$xpath = new DOMXPath($document);
$converter = new CssSelectorConverter;
$refused = 0;
$convert = static function () use ($texts, &$refused): array {
    $refused = 0;
    $paths = [];
    foreach ($texts as $text) {
        try {
            $paths[] = (new CssSelectorConverter)->toXPath(preg_replace('/::?[-\w]+\z/', '', $text) ?: '*');
        } catch (Throwable) {
            $refused++;
        }
    }

    return $paths;
};
$converting = $median($convert, 1);
$paths = $convert();
$query = static function () use ($xpath, $paths): void {
    foreach ($paths as $path) {
        @$xpath->query($path);
    }
};
$querying = $median($query, 1);
printf("%-52s %8s %10s\n", '', 'ms', 'ratio');
printf("%-52s %8.1f\n", 'ours: parse, compile, match all', $whole + $matching);
printf("%-52s %8.1f %9.1fx  (%d selectors refused)\n", 'symfony/css-selector to XPath, and query', $converting + $querying, ($converting + $querying) / ($whole + $matching), $refused);
printf("%-52s %8.1f\n", 'ours: matching alone', $matching);
printf("%-52s %8.1f %9.1fx\n", 'DOMXPath with the paths ready', $querying, $querying / $matching);

$declarations = new Declarations;
$library = new MemoryLibrary(['/theme.css' => $css], $declarations);
$linked = str_replace('</head>', '<link rel="stylesheet" href="/theme.css"></head>', (string) preg_replace('/<link[^>]*stylesheet[^>]*>/i', '', $html));
$one = PageReader::read($linked);
$styles = $median(static fn () => PageStyles::of($one, '/a.html', StyleSet::of($one, '/a.html', $library), new Condition, $declarations), 3);
printf("%-52s %8.1f\n\n", 'ours: the whole computed page, sheets compiled', $styles);

printf("%6s %12s %14s %12s\n", 'pages', 'styles ms', 'one edit ms', 'memory MB');
foreach ([1, 10, 50, 200] as $count) {
    $set = StyleSet::of($one, '/a.html', $library);
    $pages = [];
    $start = hrtime(true);
    for ($i = 0; $i < $count; $i++) {
        $copy = PageReader::read($linked);
        $computed = PageStyles::of($copy, '/a.html', $set, new Condition, $declarations);
        $pages[] = new SitePage("$i.html", $copy, static fn (States $states): PageStyles => $computed);
    }
    $building = (hrtime(true) - $start) / 1e6;
    $survey = new Survey($pages, $library, $declarations->table);
    $n = 0;
    $edit = $median(static function () use ($survey, &$n): void {
        $survey->of(new Override('x', 'h2', [new OverrideDeclaration('color', sprintf('#%06x', ++$n))]), new Sheet);
    }, 3);
    printf("%6d %12.0f %14.1f %12.0f\n", $count, $building, $edit, memory_get_usage() / 1e6);
}
