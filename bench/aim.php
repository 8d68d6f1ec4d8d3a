<?php

declare(strict_types=1);

/**
 * Aiming from three meant and three kept elements, and the spill after a selector was edited, on 50 pages of 1,000 elements:
 * medians, and as shares of the 150 ms that each may take.
 *
 *   php bench/aim.php [PAGES]
 */
use Insignum\Aim\Aimer;
use Insignum\Aim\Census;
use Insignum\Effect\SitePage;
use Insignum\Effect\Survey;
use Insignum\Page\PageReader;
use Insignum\Selector\States;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\StyleSet;

require __DIR__.'/../vendor/autoload.php';
require __DIR__.'/median.php';

gc_disable();
mt_srand(5);

const LIMIT = 150;

$count = (int) ($argv[1] ?? 50);
$root = __DIR__.'/../node_modules/startbootstrap-creative/dist';
$html = (string) preg_replace('/<link[^>]*stylesheet[^>]*>/i', '', (string) file_get_contents("$root/index.html"));
$html = str_replace('</head>', '<link rel="stylesheet" href="/theme.css"></head>', $html);
preg_match('/<body[^>]*>(.*)<\/body>/is', $html, $body);
$declarations = new Declarations;
$library = new MemoryLibrary(['/theme.css' => (string) file_get_contents("$root/css/styles.css")], $declarations);
$pages = $sites = [];
$set = null;
for ($i = 0; $i < $count; $i++) {
    // Each page has sections of its own, so that there is something to tell apart.
    $own = implode('', array_map(static fn (int $n): string => "<section class=\"part part-$n page-$i\">".($body[1] ?? '').'</section>', range(1, 6)));
    $page = PageReader::read(str_replace($body[1] ?? '', $own, $html));
    $set ??= StyleSet::of($page, '/a.html', $library);
    $styles = PageStyles::of($page, '/a.html', $set, new Condition, $declarations);
    $pages["$i.html"] = $page;
    $sites[] = new SitePage("$i.html", $page, static fn (States $states): PageStyles => $styles);
}
printf("%d pages, %d elements\n", $count, array_sum(array_map(static fn ($p): int => $p->count(), $pages)));

$exact = $cases = 0;
$pick = static function (string $tag) use ($pages): array {
    $path = (string) array_rand($pages);

    return [$path, $pages[$path]->byTag[$tag][array_rand($pages[$path]->byTag[$tag])]];
};
$aim = median(static function () use ($pages, $pick, &$exact, &$cases): void {
    $tag = ['h2', 'a', 'p', 'div', 'img'][mt_rand(0, 4)];
    $marks = [];
    while (count($marks) < 6) {
        [$path, $element] = $pick($tag);
        $marks["$path $element"] = [$path, $element];
    }
    $sides = [[], []];
    foreach (array_values($marks) as $i => [$path, $element]) {
        $sides[intdiv($i, 3)][$path][] = $element;
    }
    // A new census each time, as for a request that finds nothing in memory.
    $aimed = (new Aimer(new Census($pages)))->of(...$sides);
    $cases++;
    $exact += ($aimed->fits[0] ?? null)?->fits() ? 1 : 0;
}, 31);

$survey = new Survey($sites, $library, $declarations->table);
$selectors = ['.part-2 h2', '.part-3 .btn', 'h2', '.page-7 p', '.part .text-muted', '.portfolio-box img', '.navbar a', 'section.part-1 > header'];
$n = 0;
$spill = median(static function () use ($survey, $selectors, &$n): void {
    $survey->of(new Override('x', $selectors[++$n % count($selectors)], [new OverrideDeclaration('color', sprintf('#%06x', $n)), new OverrideDeclaration('background-color', 'ivory')], meant: '.part-2 h2'), new Sheet);
}, 31);
printf("%-54s %8.1f ms  %5.2f of what it may take\n", 'aim from 3 meant and 3 kept elements', $aim, $aim / LIMIT);
printf("%-54s %8.1f ms  %5.2f of what it may take\n", 'spill after a selector edit', $spill, $spill / LIMIT);
printf("of %d random cases %d have a selector that fits all marks\n", $cases, $exact);
