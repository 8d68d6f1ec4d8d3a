<?php

declare(strict_types=1);

/**
 * The engine beside symfony/css-selector, sabberworm/php-css-parser, css-tree and css-select on the same files, as ratios in
 * one run, and how it grows with pages.
 *
 *   php bench/engine.php [ROOT PAGE [ELEMENTS]]     by default the index of startbootstrap-creative, and 1,000 elements a page
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
use Insignum\Syntax\Parser;
use Sabberworm\CSS\Parser as Sabberworm;
use Symfony\Component\CssSelector\CssSelectorConverter;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/median.php';

// As where the application answers: App\Http\Controllers\Api\InspectController says why.
gc_disable();

$root = $argv[1] ?? __DIR__.'/../node_modules/startbootstrap-creative/dist';
$file = $argv[2] ?? 'index.html';
$wanted = (int) ($argv[3] ?? 1000);
$html = (string) file_get_contents("$root/$file");
$css = '';
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $sheet) {
    if ($sheet instanceof SplFileInfo && str_ends_with($sheet->getFilename(), '.css') && ! str_ends_with($sheet->getFilename(), '.min.css')) {
        $css .= file_get_contents($sheet->getPathname())."\n";
    }
}

$page = PageReader::read($html);
$compile = static fn () => (new SheetCompiler(new Declarations))->compile($css, '/theme.css');
/** @var list<ComplexSelector> $selectors */
$selectors = array_merge(...array_map(static fn ($rule): array => $rule->selectors->selectors, $compile()->rules()));
// Without their pseudo-elements, which the others can't select, and each once.
$texts = array_values(array_unique(array_map(static fn (ComplexSelector $s): string => preg_replace('/::?(?:before|after|first-line|first-letter|[-\w]+)\z/', '', $s->pseudoElement === null ? $s->text.' ' : $s->text) ?: '*', $selectors)));
$texts = array_map(trim(...), $texts);
printf("%s: %d elements, %d selectors, %d kB of CSS\n\n", $file, $page->count(), count($selectors), strlen($css) / 1024);

// ours
$parse = static fn () => Parser::stylesheet($css);
$match = static function () use ($page, $selectors): void {
    $matcher = new Matcher($page);
    foreach ($selectors as $selector) {
        $matcher->select($selector);
    }
};
$whole = static function () use ($compile, $match): void {
    $compile();
    $match();
};
$declarations = new Declarations;
$library = new MemoryLibrary(['/theme.css' => $css], $declarations);
$linked = str_replace('</head>', '<link rel="stylesheet" href="/theme.css"></head>', (string) preg_replace('/<link[^>]*stylesheet[^>]*>/i', '', $html));
$one = PageReader::read($linked);
$set = StyleSet::of($one, '/a.html', $library);
$compute = static fn () => PageStyles::of($one, '/a.html', $set, new Condition, $declarations);

// theirs, PHP
$document = new DOMDocument;
@$document->loadHTML($html);
$xpath = new DOMXPath($document);
$refused = 0;
$paths = [];
$convert = static function () use ($texts, &$refused, &$paths): void {
    $refused = 0;
    $paths = [];
    foreach ($texts as $text) {
        try {
            $paths[] = (new CssSelectorConverter)->toXPath($text);
        } catch (Throwable) {
            $refused++;
        }
    }
};
$query = static function () use ($xpath, &$paths): void {
    foreach ($paths as $path) {
        @$xpath->query($path);
    }
};
$symfony = static function () use ($convert, $query): void {
    $convert();
    $query();
};
$sabberworm = static fn () => (new Sabberworm($css))->parse();

// theirs, JavaScript
$sheet = (string) tempnam(sys_get_temp_dir(), 'bench');
file_put_contents($sheet, $css);
$node = proc_open(['node', __DIR__.'/others.mjs', "$root/$file", $sheet], [['pipe', 'r'], ['pipe', 'w'], STDERR], $pipes);
fwrite($pipes[0], json_encode($texts, JSON_THROW_ON_ERROR));
fclose($pipes[0]);
/** @var array{parse: float, whole: float, matching: float, refused: int} $others */
$others = json_decode((string) stream_get_contents($pipes[1]), true, 512, JSON_THROW_ON_ERROR);
proc_close($node === false ? throw new RuntimeException('node is missing.') : $node);
unlink($sheet);

$row = static function (string $what, float $ms, ?float $ratio = null, string $note = ''): void {
    printf("%-54s %9.1f %9s  %s\n", $what, $ms, $ratio === null ? '' : sprintf('%.1fx', $ratio), $note);
};
printf("%-54s %9s %9s\n", '', 'ms', 'of ours');
[$parsing, $theirs, $ratio] = beside($parse, $sabberworm);
$row('parse: ours', $parsing);
$row('       sabberworm/php-css-parser', $theirs, $ratio);
$row('       css-tree (JavaScript)', $others['parse'], $others['parse'] / $parsing);
[$ours, $theirs, $ratio] = beside($whole, $symfony);
$row('parse, compile and match all: ours', $ours);
$row('       symfony/css-selector to XPath, and query', $theirs, $ratio, "$refused selectors refused");
[, $theirs, $ratio] = beside($whole, static function () use ($sabberworm, $symfony): void {
    $sabberworm();
    $symfony();
});
$row('       sabberworm, symfony, and query', $theirs, $ratio);
$row('       css-tree and css-select (JavaScript)', $others['parse'] + $others['whole'], ($others['parse'] + $others['whole']) / $ours, "{$others['refused']} selectors refused");
[$ours, $theirs, $ratio] = beside($match, $query);
$row('match alone: ours', $ours);
$row('       DOMXPath with the paths ready', $theirs, $ratio);
$row('       css-select with the queries ready (JavaScript)', $others['matching'], $others['matching'] / $ours);
$styles = median($compute);
$row('the whole computed page, sheets compiled: ours', $styles);
$row('       css-select for matching alone (JavaScript)', $others['matching'], $others['matching'] / $styles);

// growth: the page's body again and again until it has as many elements as wanted
preg_match('/<body[^>]*>(.*)<\/body>/is', $linked, $body);
$times = max(1, (int) round($wanted / max(1, $page->count())));
$long = str_replace($body[1] ?? '', str_repeat($body[1] ?? '', $times), $linked);
$elements = PageReader::read($long)->count();
printf("\n%6s %10s %12s %12s %14s %12s\n", 'pages', 'elements', 'styles ms', 'edit ms', 'per page ms', 'memory MB');
foreach ([1, 10, 50, 200] as $count) {
    $before = memory_get_usage();
    $pages = [];
    $start = hrtime(true);
    for ($i = 0; $i < $count; $i++) {
        $copy = PageReader::read($long);
        $computed = PageStyles::of($copy, '/a.html', $set, new Condition, $declarations);
        $pages[] = new SitePage("$i.html", $copy, static fn (States $states): PageStyles => $computed);
    }
    $building = (hrtime(true) - $start) / 1e6;
    $survey = new Survey($pages, $library, $declarations->table);
    $n = 0;
    $edit = median(static function () use ($survey, &$n): void {
        $survey->of(new Override('x', 'h2', [new OverrideDeclaration('color', sprintf('#%06x', ++$n))]), new Sheet);
    });
    printf("%6d %10d %12.0f %12.1f %14.2f %12.0f\n", $count, $count * $elements, $building, $edit, $edit / $count, (memory_get_usage() - $before) / 1e6);
    unset($pages, $survey);
}
