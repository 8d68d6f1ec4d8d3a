<?php

declare(strict_types=1);

/**
 * What the core says about backgrounds, for the comparison with pixels: JSON in, JSON out.
 *
 *   php tests/browser/backdrop.php fit '{"box": [w, h], "image": [w, h], "size": "", "position": "", "repeat": "", "point": [x, y]}'
 *   php tests/browser/backdrop.php contrast '{"html": "", "image": "file", "id": ""}'
 *   php tests/browser/backdrop.php picture FILE      a white image of 60 by 40 pixels with a red spot at three quarters, one quarter
 */
use App\Import\ImageFacts;
use Insignum\Colour\ColourSyntax;
use Insignum\Effect\Backdrop;
use Insignum\Image\Fit;
use Insignum\Page\PageReader;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\StyleSet;

require __DIR__.'/../../vendor/autoload.php';

if ($argv[1] === 'picture') {
    $image = imagecreatetruecolor(60, 40);
    imagefill($image, 0, 0, (int) imagecolorallocate($image, 255, 255, 255));
    imagefilledrectangle($image, 42, 7, 47, 12, (int) imagecolorallocate($image, 255, 0, 0));
    imagepng($image, $argv[2]);
    exit;
}
$given = json_decode($argv[2], true, flags: JSON_THROW_ON_ERROR);
if ($argv[1] === 'fit') {
    $computed = (new Declarations)->computedAlone('background', "url(x) {$given['position']} / {$given['size']} {$given['repeat']}");
    $fit = Fit::of($given['box'], $given['image'], $computed['background-size'], $computed['background-position-x'].' '.$computed['background-position-y'], $computed['background-repeat']);
    echo json_encode(['scale' => $fit?->scale, ...($fit?->subject(...$given['point']) ?? [])], JSON_THROW_ON_ERROR);
    exit;
}
$page = PageReader::read($given['html']);
$declarations = new Declarations;
$styles = PageStyles::of($page, '/a.html', StyleSet::of($page, '/a.html', new MemoryLibrary([], $declarations)), new Condition, $declarations);
$samples = $given['image'] === '' ? null : array_map(ColourSyntax::fixed(...), (new ImageFacts)->of((string) file_get_contents($given['image']), $given['image'])['samples'] ?? []);
$element = $page->byId[$given['id']][0];
$behind = (new Backdrop($styles, static fn (): ?array => $samples))->behind($element);
echo json_encode(['lowest' => $behind->lowest($styles->style($element)->colour), 'certain' => $behind->certain], JSON_THROW_ON_ERROR);
