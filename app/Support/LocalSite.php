<?php

declare(strict_types=1);

namespace App\Support;

use Insignum\Effect\SitePage;
use Insignum\Page\Page;
use Insignum\Page\PageReader;
use Insignum\Selector\States;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\StyleSet;

/** A site as files below a directory, for the command line. */
final readonly class LocalSite
{
    private function __construct(private string $root, public MemoryLibrary $library, public Declarations $declarations)
    {
    }

    /** @throws \InvalidArgumentException */
    public static function open(string $root): self
    {
        $real = $root === '' ? false : realpath($root);
        if ($real === false || ! is_dir($real)) {
            throw new \InvalidArgumentException("--root: there is no directory “{$root}”.");
        }
        $texts = [];
        $files = new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($real, \FilesystemIterator::SKIP_DOTS));
        foreach ($files as $file) {
            if ($file instanceof \SplFileInfo && strtolower($file->getExtension()) === 'css') {
                $texts[substr($file->getPathname(), strlen($real))] = (string) file_get_contents($file->getPathname());
            }
        }
        $declarations = new Declarations;

        return new self($real, new MemoryLibrary($texts, $declarations), $declarations);
    }

    /** @throws \InvalidArgumentException */
    public function page(string $path, Condition $condition): SitePage
    {
        $file = realpath($this->root.'/'.$path);
        if ($file === false || ! str_starts_with($file, $this->root.'/') || ! is_file($file)) {
            throw new \InvalidArgumentException("There is no page “{$path}” below the root.");
        }
        $page = PageReader::read((string) file_get_contents($file));
        $address = '/'.ltrim($path, '/');
        $set = StyleSet::of($page, $address, $this->library);

        return new SitePage($path, $page, fn (States $states, Page $page): PageStyles => PageStyles::of($page, $address, $set, $condition, $this->declarations, $states));
    }

    /** @throws \InvalidArgumentException */
    public static function read(string $file): string
    {
        if (! is_file($file)) {
            throw new \InvalidArgumentException("There is no file “{$file}”.");
        }

        return (string) file_get_contents($file);
    }
}
