<?php

declare(strict_types=1);

/**
 * What the core says, for the comparison with the browser: JSON in, as an argument or on standard input, and JSON out.
 *
 *   php tests/browser/said.php fit '{"box": [w, h], "image": [w, h], "size": "", "position": "", "repeat": "", "point": [x, y]}'
 *   php tests/browser/said.php contrast '{"html": "", "image": "file", "id": ""}'
 *   php tests/browser/said.php picture FILE      a white image of 60 by 40 pixels with a red spot at three quarters, one quarter
 *   php tests/browser/said.php trees       ["markup", ...]: each as `html(head body(p))`
 *   php tests/browser/said.php matches     {"html": "", "selectors": []}: the numbers of the elements that each takes; null where it is none
 *   php tests/browser/said.php media       ["query", ...]: which hold at 1280 by 800
 *   php tests/browser/said.php values      [["property", "value"], ...]: whether each is valid, and all tracked values of an element that has it
 */
use App\Import\ImageFacts;
use Insignum\Colour\ColourSyntax;
use Insignum\Effect\Backdrop;
use Insignum\Image\Fit;
use Insignum\Page\Page;
use Insignum\Page\PageReader;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MediaList;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\PropertyTable;
use Insignum\Style\StyleSet;

require __DIR__.'/../../vendor/autoload.php';

if ($argv[1] === 'picture') {
    $image = imagecreatetruecolor(60, 40);
    imagefill($image, 0, 0, (int) imagecolorallocate($image, 255, 255, 255));
    imagefilledrectangle($image, 42, 7, 47, 12, (int) imagecolorallocate($image, 255, 0, 0));
    imagepng($image, $argv[2]);
    exit;
}
$given = json_decode($argv[2] ?? (string) stream_get_contents(STDIN), true, flags: JSON_THROW_ON_ERROR);
if ($argv[1] === 'fit') {
    $computed = (new Declarations)->computedAlone('background', "url(x) {$given['position']} / {$given['size']} {$given['repeat']}");
    $fit = Fit::of($given['box'], $given['image'], $computed['background-size'], $computed['background-position-x'].' '.$computed['background-position-y'], $computed['background-repeat']);
    echo json_encode(['scale' => $fit?->scale, ...($fit?->subject(...$given['point']) ?? [])], JSON_THROW_ON_ERROR);
    exit;
}
$declarations = new Declarations;
$compute = static fn (Page $page): PageStyles => PageStyles::of($page, '/a.html', StyleSet::of($page, '/a.html', new MemoryLibrary([], $declarations)), new Condition, $declarations);
if ($argv[1] === 'trees') {
    $tree = static function (Page $page, int $element) use (&$tree): string {
        $inside = implode(' ', array_map(static fn (int $child): string => $tree($page, $child), $page->children[$element]));

        return $page->tags[$element].($inside === '' || $page->tags[$element] === 'template' ? '' : "($inside)");
    };
    echo json_encode(array_map(static fn (string $markup): string => $tree(PageReader::read($markup), 0), $given), JSON_THROW_ON_ERROR);
    exit;
}
if ($argv[1] === 'media') {
    echo json_encode(array_map(static fn (string $query): bool => (new MediaList($query))->accepts(new Condition(1280, 800)), $given), JSON_THROW_ON_ERROR);
    exit;
}
if ($argv[1] === 'matches') {
    $matcher = new Matcher(PageReader::read($given['html']));
    echo json_encode(array_map(static function (string $selector) use ($matcher): ?array {
        try {
            return $matcher->selectAny(SelectorParser::parse($selector));
        } catch (InvalidSelector) {
            return null;
        }
    }, $given['selectors']), JSON_THROW_ON_ERROR);
    exit;
}
if ($argv[1] === 'values') {
    echo json_encode(array_map(static function (array $case) use ($declarations, $compute): array {
        $page = PageReader::read('<!doctype html><body><div id="x" style="'.htmlspecialchars("$case[0]: $case[1]").'"></div>');
        $style = $compute($page)->style($page->byId['x'][0]);

        return [$declarations->isValid(...$case), array_combine(PropertyTable::TRACKED, array_map($style->value(...), PropertyTable::TRACKED))];
    }, $given), JSON_THROW_ON_ERROR);
    exit;
}
$page = PageReader::read($given['html']);
$styles = $compute($page);
$samples = $given['image'] === '' ? null : array_map(ColourSyntax::fixed(...), (new ImageFacts)->of((string) file_get_contents($given['image']), $given['image'])['samples'] ?? []);
$element = $page->byId[$given['id']][0];
$behind = (new Backdrop($styles, static fn (): ?array => $samples))->behind($element);
echo json_encode(['lowest' => $behind->lowest($styles->style($element)->colour), 'certain' => $behind->certain], JSON_THROW_ON_ERROR);
