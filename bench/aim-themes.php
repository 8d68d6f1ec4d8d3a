<?php

declare(strict_types=1);

/**
 * How often aiming finds a selector of the theme's author again: what it takes is marked as meant, and up to three that look
 * alike as ones to leave alone.
 *
 *   php bench/aim-themes.php ROOT PAGE...      CASES=60 SEED=1 SHOW=1 SOME=1 (three examples instead of all)
 */
use Insignum\Aim\Aimer;
use Insignum\Aim\Census;
use Insignum\Page\PageReader;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\StyleSet;

require __DIR__.'/../vendor/autoload.php';

$root = $argv[1] ?? __DIR__.'/../node_modules/startbootstrap-creative/dist';
$paths = array_slice($argv, 2) ?: ['index.html'];
$cases = (int) (getenv('CASES') ?: 60);
mt_srand((int) (getenv('SEED') ?: 1));

$files = $pages = $texts = [];
foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator($root, FilesystemIterator::SKIP_DOTS)) as $file) {
    if ($file->getExtension() === 'css') {
        $files['/'.ltrim(substr($file->getPathname(), strlen($root)), '/')] = (string) file_get_contents($file->getPathname());
    }
}
$library = new MemoryLibrary($files, new Declarations);
foreach ($paths as $path) {
    $pages[$path] = PageReader::read((string) file_get_contents("$root/$path"));
    $set = StyleSet::of($pages[$path], "/$path", $library);
    for ($i = 0; $i < $set->count(); $i++) {
        foreach ($set->entry($i)->rule->selectors->selectors as $selector) {
            $texts[$selector->text] = true;
        }
    }
}
$census = new Census($pages);
$wantedSets = [];
foreach (array_keys($texts) as $text) {
    if (str_contains((string) $text, '::') || str_contains((string) $text, ':hover') || str_contains((string) $text, ':focus')) {
        continue;
    }
    try {
        $list = SelectorParser::parse((string) $text);
    } catch (Throwable) {
        continue;
    }
    $reach = array_filter(array_map(static fn ($page): array => (new Matcher($page))->selectAny($list), $pages));
    $n = array_sum(array_map(count(...), $reach));
    if ($n > 0 && $n <= 40) {
        $wantedSets[json_encode($reach)] ??= [(string) $text, $reach];
    }
}
$wantedSets = array_values($wantedSets);
shuffle($wantedSets);
$wantedSets = array_slice($wantedSets, 0, $cases);
$first = $any = $flagged = 0;
foreach ($wantedSets as [$text, $reach]) {
    $taken = $census->set($reach);
    $like = $others = [];
    foreach ($reach as $path => $elements) {
        foreach ($elements as $e) {
            $like[$pages[$path]->tags[$e]] = true;
        }
    }
    foreach ($pages as $path => $page) {
        foreach ($page->tags as $e => $tag) {
            if (isset($like[$tag]) && ! in_array($e, $reach[$path] ?? [], true)) {
                $others[] = [$path, $e];
            }
        }
    }
    shuffle($others);
    $kept = [];
    foreach (array_slice($others, 0, 3) as [$path, $e]) {
        $kept[$path][] = $e;
    }
    $meant = $reach;
    if (getenv('SOME')) {
        $flat = [];
        foreach ($reach as $path => $elements) {
            foreach ($elements as $e) {
                $flat[] = [$path, $e];
            }
        }
        shuffle($flat);
        $meant = [];
        foreach (array_slice($flat, 0, 3) as [$path, $e]) {
            $meant[$path][] = $e;
        }
    }
    $fits = (new Aimer($census))->of($meant, $kept)->fits;
    $hits = array_map(static fn ($fit): bool => $census->set($fit->reach) === $taken, $fits);
    $isFirst = $hits[0] ?? false;
    $first += $isFirst ? 1 : 0;
    $any += in_array(true, $hits, true) ? 1 : 0;
    $flagged += ($fits[0]->reasons ?? []) !== [] ? 1 : 0;
    if (getenv('SHOW') === '2' || (getenv('SHOW') && ! $isFirst)) {
        printf("%s %-40s %s\n", $isFirst ? ' ' : '!', $text, implode('   |   ', array_map(static fn ($f): string => $f->selector.' '.array_sum(array_map(count(...), $f->reach)), array_slice($fits, 0, 3))));
    }
}
printf("%d cases: the first is exact in %d, one of those offered in %d; the first is flagged in %d\n", count($wantedSets), $first, $any, $flagged);
