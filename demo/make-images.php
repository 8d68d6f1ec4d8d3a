<?php

declare(strict_types=1);

/** Draws the demo site's pictures: php demo/make-images.php. The same every time, as the seed is fixed. */
mt_srand(1978);
$out = __DIR__.'/theme/img';

function canvas(int $w, int $h): GdImage
{
    $image = imagecreatetruecolor($w, $h);
    imagealphablending($image, true);
    imageantialias($image, true);

    return $image;
}

/** @param  list<array{float, array{int, int, int}}>  $stops from top to bottom */
function sky(GdImage $image, array $stops): void
{
    [$w, $h] = [imagesx($image), imagesy($image)];
    for ($y = 0; $y < $h; $y++) {
        $t = $y / $h;
        for ($i = 0; $i < count($stops) - 2 && $t > $stops[$i + 1][0]; $i++);
        [$from, $a] = $stops[$i];
        [$to, $b] = $stops[$i + 1];
        $k = max(0, min(1, ($t - $from) / ($to - $from)));
        $mix = array_map(static fn (int $x, int $z): int => (int) round($x + ($z - $x) * $k + mt_rand(-10, 10) / 10), $a, $b);
        imageline($image, 0, $y, $w, $y, imagecolorallocate($image, ...array_map(static fn (int $c): int => max(0, min(255, $c)), $mix)));
    }
}

function stars(GdImage $image, int $count, float $until, bool $band = false): void
{
    [$w, $h] = [imagesx($image), imagesy($image)];
    for ($i = 0; $i < $count; $i++) {
        $x = mt_rand(0, $w);
        $y = $band ? (int) ($h * 0.75 - $x * 0.32 + (mt_rand(0, 1000) + mt_rand(0, 1000) + mt_rand(0, 1000) - 1500) * $h / 5200) : mt_rand(0, (int) ($h * $until));
        $size = mt_rand(0, 40) === 0 ? 3 : (mt_rand(0, 8) === 0 ? 2 : 1);
        $warm = mt_rand(0, 5) === 0;
        imagefilledellipse($image, $x, $y, $size, $size, imagecolorallocatealpha($image, 255, $warm ? 232 : 245, $warm ? 200 : 255, mt_rand($band ? 50 : 10, 110)));
    }
}

/** @param  array{int, int, int}  $colour */
function hill(GdImage $image, float $base, float $height, float $wave, array $colour): void
{
    [$w, $h] = [imagesx($image), imagesy($image)];
    $points = [];
    $phase = mt_rand(0, 628) / 100;
    for ($x = 0; $x <= $w; $x += 4) {
        array_push($points, $x, (int) ($h * $base - $h * $height * (sin($x / $w * $wave + $phase) + 0.35 * sin($x / $w * $wave * 2.7 + $phase * 2))));
    }
    array_push($points, $w, $h, 0, $h);
    imagefilledpolygon($image, $points, imagecolorallocate($image, ...$colour));
}

/** @param  array{int, int, int}  $colour */
function dome(GdImage $image, int $x, int $ground, int $size, array $colour): void
{
    $ink = imagecolorallocate($image, ...$colour);
    imagefilledrectangle($image, $x - (int) ($size * 0.52), $ground - (int) ($size * 0.42), $x + (int) ($size * 0.52), $ground + 40, $ink);
    imagefilledarc($image, $x, $ground - (int) ($size * 0.4), $size, $size, 180, 360, $ink, IMG_ARC_PIE);
    imagefilledrectangle($image, $x - (int) ($size * 0.58), $ground - (int) ($size * 0.46), $x + (int) ($size * 0.58), $ground - (int) ($size * 0.4), $ink);
    $slit = imagecolorallocate($image, 224, 179, 84);
    imagefilledpolygon($image, [$x + (int) ($size * 0.05), $ground - (int) ($size * 0.46), $x + (int) ($size * 0.13), $ground - (int) ($size * 0.46), $x + (int) ($size * 0.2), $ground - (int) ($size * 0.82), $x + (int) ($size * 0.14), $ground - (int) ($size * 0.85)], $slit);
    imagefilledrectangle($image, $x - (int) ($size * 0.3), $ground - (int) ($size * 0.24), $x - (int) ($size * 0.22), $ground - (int) ($size * 0.06), imagecolorallocate($image, 190, 120, 52));
}

$night = canvas(1600, 900);
sky($night, [[0, [14, 18, 38]], [0.45, [32, 40, 78]], [0.8, [70, 74, 120]], [1, [140, 110, 120]]]);
stars($night, 1400, 0.8);
hill($night, 0.86, 0.035, 5, [26, 30, 52]);
dome($night, 1180, 770, 230, [13, 16, 30]);
hill($night, 0.92, 0.03, 4, [13, 16, 30]);
imagejpeg($night, "$out/dome-night.jpg", 82);

$band = canvas(1600, 900);
sky($band, [[0, [8, 11, 24]], [0.6, [18, 22, 48]], [1, [34, 36, 66]]]);
for ($i = 0; $i < 260; $i++) {
    $x = mt_rand(0, 1600);
    $y = (int) (675 - $x * 0.32 + (mt_rand(0, 1000) + mt_rand(0, 1000) - 1000) / 7);
    imagefilledellipse($band, $x, $y, mt_rand(80, 220), mt_rand(40, 90), imagecolorallocatealpha($band, 120 + mt_rand(0, 40), 118, 150, 124));
}
stars($band, 5200, 1, true);
stars($band, 1300, 1);
imagejpeg($band, "$out/milky-way.jpg", 82);

$day = canvas(1600, 900);
sky($day, [[0, [118, 164, 196]], [0.55, [196, 216, 218]], [0.8, [238, 228, 206]], [1, [238, 228, 206]]]);
hill($day, 0.72, 0.05, 4, [150, 160, 150]);
hill($day, 0.8, 0.045, 5, [116, 128, 104]);
dome($day, 420, 730, 190, [236, 232, 222]);
hill($day, 0.88, 0.04, 6, [92, 104, 74]);
hill($day, 0.97, 0.03, 7, [112, 84, 92]);
imagejpeg($day, "$out/moor-day.jpg", 84);

$moon = canvas(800, 800);
imagefilledrectangle($moon, 0, 0, 800, 800, imagecolorallocate($moon, 10, 12, 22));
imagefilledellipse($moon, 400, 400, 640, 640, imagecolorallocate($moon, 214, 208, 194));
for ($i = 0; $i < 90; $i++) {
    $angle = mt_rand(0, 628) / 100;
    $r = sqrt(mt_rand(0, 1000) / 1000) * 290;
    $size = mt_rand(8, 70);
    $tone = mt_rand(150, 200);
    imagefilledellipse($moon, (int) (400 + cos($angle) * $r), (int) (400 + sin($angle) * $r), $size, $size, imagecolorallocatealpha($moon, $tone, $tone - 6, $tone - 14, 70));
}
imagefilledellipse($moon, 610, 380, 640, 660, imagecolorallocatealpha($moon, 10, 12, 22, 18));
imagejpeg($moon, "$out/moon.jpg", 84);

$tile = imagecreatetruecolor(160, 160);
imagesavealpha($tile, true);
imagefill($tile, 0, 0, imagecolorallocatealpha($tile, 0, 0, 0, 127));
for ($i = 0; $i < 26; $i++) {
    imagefilledellipse($tile, mt_rand(4, 156), mt_rand(4, 156), $s = mt_rand(1, 3), $s, imagecolorallocatealpha($tile, 224, 179, 84, mt_rand(50, 100)));
}
imagepng($tile, "$out/star-tile.png");
