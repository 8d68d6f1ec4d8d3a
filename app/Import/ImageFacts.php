<?php

declare(strict_types=1);

namespace App\Import;

use Intervention\Image\Drivers\Gd\Driver;
use Intervention\Image\ImageManager;

/** The size of an image in pixels, and the colours met on a coarse grid over it. */
final class ImageFacts
{
    private const GRID = 6;

    /** Images with more pixels than this are measured but not unpacked. */
    private const MOST_PIXELS = 40_000_000;

    /** @return array{width?: int, height?: int, samples?: list<string>} */
    public function of(string $content, string $path): array
    {
        $size = @getimagesizefromstring($content);
        if ($size === false) {
            return [];
        }
        $facts = ['width' => $size[0], 'height' => $size[1]];
        if ($size[0] * $size[1] > self::MOST_PIXELS || $size[0] < 1 || $size[1] < 1) {
            return $facts;
        }
        try {
            $image = (new ImageManager(new Driver))->read($content)->resize(self::GRID, self::GRID);
            $samples = [];
            for ($i = 0; $i < self::GRID * self::GRID; $i++) {
                $samples[$image->pickColor($i % self::GRID, intdiv($i, self::GRID))->toHex('#')] = true;
            }

            return [...$facts, 'samples' => array_keys($samples)];
        } catch (\Throwable) {
            return $facts;
        }
    }
}
