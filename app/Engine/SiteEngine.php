<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Asset;
use App\Models\Image;
use App\Models\Page as PageRow;
use App\Models\Snapshot;
use Illuminate\Contracts\Cache\Repository;
use Insignum\Aim\SleepingStates;
use Insignum\Aim\ThemeSearch;
use Insignum\Colour\Colour;
use Insignum\Colour\ColourSyntax;
use Insignum\Colour\PaletteColour;
use Insignum\Effect\SitePage;
use Insignum\Page\Page;
use Insignum\Page\PageReader;
use Insignum\Page\StyleSource;
use Insignum\Selector\States;
use Insignum\Selector\Wear;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\PageStyles;
use Insignum\Style\PaletteReader;
use Insignum\Style\StyleSet;

/**
 * A snapshot as the core wants it: pages, sheets, styles, colours. All of it is cached by content.
 *
 * @phpstan-import-type P from PageStyles
 */
final class SiteEngine
{
    /** Part of every cache key: raise it when what the core computes, or how it is kept, changes. */
    private const VERSION = 12;

    private const LIFETIME = 7 * 86400;

    public readonly SnapshotLibrary $library;

    /** @var ?array<string, Page> */
    private ?array $pages = null;

    /** @var ?array<string, Page> */
    private ?array $earlier = null;

    /** @var ?list<PageRow> */
    private ?array $rows = null;

    /** @var array<string, StyleSet> */
    private array $sets = [];

    /** @var ?array<string, list<string>> */
    private ?array $samples = null;

    /** @var ?list<array<string, mixed>> */
    private ?array $sleeping = null;

    /** @var ?list<Asset> */
    private ?array $images = null;

    public function __construct(
        private readonly Snapshot $snapshot,
        private readonly Blobs $blobs,
        private readonly Repository $cache,
        public readonly Declarations $declarations,
    ) {
        $this->library = new SnapshotLibrary($snapshot, $blobs, $cache, $declarations);
    }

    public static function for(Snapshot $snapshot): self
    {
        return app()->make(self::class, ['snapshot' => $snapshot]);
    }

    public static function key(string ...$parts): string
    {
        return 'insignum.'.self::VERSION.'.'.hash('xxh128', implode("\0", $parts));
    }

    /** @return list<PageRow> */
    public function rows(): array
    {
        return $this->rows ??= array_values($this->snapshot->pages()->get()->all());
    }

    /** @return array<string, Page> by path */
    public function pages(): array
    {
        if ($this->pages === null) {
            $this->pages = [];
            foreach ($this->rows() as $row) {
                $this->pages[$row->path] = $this->cache->remember(self::key('page', $row->hash), self::LIFETIME, fn (): Page => PageReader::read($this->blobs->get($row->hash)));
            }
        }

        return $this->pages;
    }

    /** @return array<string, Page> the pages of the snapshot before, by path; none where there was none */
    public function earlier(): array
    {
        if ($this->earlier === null) {
            $before = $this->snapshot->site?->snapshots()->where('state', Snapshot::READY)->where('number', '<', $this->snapshot->number)->first();
            $this->earlier = $before === null ? [] : self::for($before)->pages();
        }

        return $this->earlier;
    }

    /**
     * @param  list<Wear>  $worn  the sleeping states that its pages have on
     * @return list<SitePage>
     */
    public function site(Condition $condition, array $worn = []): array
    {
        $out = [];
        foreach ($this->rows() as $row) {
            $page = $this->pages()[$row->path];
            $site = new SitePage($row->path, $page, fn (States $states, Page $page, array $wears): PageStyles => $this->styles($row, $page, $condition, $states, $wears));
            $out[] = $site->wearing(...$worn);
        }

        return $out;
    }

    /** @param  list<Wear>  $worn */
    public function page(string $path, Condition $condition, array $worn = []): ?SitePage
    {
        foreach ($this->site($condition, $worn) as $page) {
            if ($page->path === $path) {
                return $page;
            }
        }

        return null;
    }

    /** @return list<int> the viewport widths in px at which the theme changes, ascending */
    public function breakpoints(): array
    {
        return $this->cache->remember(self::key('breakpoints', $this->library->fingerprint()), self::LIFETIME, function (): array {
            $found = [];
            foreach ($this->library->all() as $sheet) {
                foreach ($sheet->rules() as $rule) {
                    foreach ($rule->media as $media) {
                        array_push($found, ...array_map(intval(...), $media->breakpoints()));
                    }
                }
            }
            $found = array_values(array_unique(array_filter($found, static fn (int $w): bool => $w > 0)));
            sort($found);

            return $found;
        });
    }

    /** @return list<PaletteColour> the theme's colours, most used first */
    public function palette(): array
    {
        return $this->cache->remember(self::key('palette', $this->library->fingerprint()), self::LIFETIME, fn (): array => PaletteReader::read($this->library->all()));
    }

    /** @return list<array<string, mixed>> what the theme has rules for and the pages are not wearing: SleepingReport */
    public function sleeping(): array
    {
        $key = self::key('sleeping', $this->library->fingerprint(), ...array_map(static fn (PageRow $row): string => "{$row->path} {$row->hash}", $this->rows()));

        return $this->sleeping ??= $this->cache->remember($key, self::LIFETIME, fn (): array => array_map(SleepingReport::state(...), (new SleepingStates($this->pages()))->in($this->library->all())));
    }

    public function search(): ThemeSearch
    {
        return new ThemeSearch($this->library->all());
    }

    /** @return list<Asset> the images of the site: first those that were put in, then the theme's */
    public function images(): array
    {
        return $this->images ??= [
            ...array_values(array_map(static fn (Image $i): Asset => $i->asset(), $this->snapshot->site?->images()->get()->all() ?? [])),
            ...array_values($this->snapshot->assets()->where('mime', 'like', 'image/%')->orderBy('path')->get()->all()),
        ];
    }

    /** The image at an address of the site; null where there is none. */
    public function image(string $address): ?Asset
    {
        $path = ltrim(rawurldecode((string) strtok($address, '?#')), '/');
        foreach ($this->images() as $image) {
            if ($image->path === $path) {
                return $image;
            }
        }

        return null;
    }

    /** @return \Closure(string): ?bool whether the site has an image at an address; null for what lies elsewhere */
    public function isThere(): \Closure
    {
        return fn (string $address): ?bool => preg_match('~\A(?:[a-z][-+.a-z0-9]*:|//)~i', $address) === 1 || $address === '' ? null : $this->image($address) !== null;
    }

    /** @return \Closure(string): ?list<Colour> the colours met in the image at a path of the site */
    public function sampler(): \Closure
    {
        return function (string $address): ?array {
            $this->samples ??= array_column(array_map(static fn (Asset $a): array => [$a->path, $a->samples ?? []], $this->images()), 1, 0);
            $samples = $this->samples[ltrim(rawurldecode((string) strtok($address, '?#')), '/')] ?? [];

            return $samples === [] ? null : array_values(array_filter(array_map(ColourSyntax::fixed(...), $samples)));
        };
    }

    /** @param  list<Wear>  $wears */
    private function styles(PageRow $row, Page $page, Condition $condition, States $states, array $wears): PageStyles
    {
        $path = '/'.$row->path;
        $set = $this->set($page, $path);
        if (! $states->isResting()) {
            return PageStyles::of($page, $path, $set, $condition, $this->declarations, $states);
        }
        $key = self::key('styles', $row->hash, $path, $set->fingerprint(), "{$condition->width}x{$condition->height}", ...array_map(static fn (Wear $w): string => "{$w->on}{$w->part}", $wears));
        /** @var P|null $packed */
        $packed = $this->cache->get($key);
        if ($packed !== null) {
            return PageStyles::unpack($packed, $page, $path, $set, $condition, $this->declarations);
        }
        $styles = PageStyles::of($page, $path, $set, $condition, $this->declarations);
        $this->cache->put($key, $styles->pack(), self::LIFETIME);

        return $styles;
    }

    /** Pages that link the same sheets share one set, so that an overlay is built once for all of them. */
    private function set(Page $page, string $path): StyleSet
    {
        $inline = array_filter($page->sheets, static fn (StyleSource $source): bool => $source->css !== null) !== [];
        $key = ($inline ? $path : dirname($path)).'|'.$page->quirks.'|'.implode('|', array_map(static fn (StyleSource $s): string => "{$s->address} {$s->media}", $page->sheets));

        return $this->sets[$key] ??= StyleSet::of($page, $path, $this->library);
    }
}
