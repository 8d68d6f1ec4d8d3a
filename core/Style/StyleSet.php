<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Style\Value\Address;

/** All rules that bear on a page, in cascade order: the browser's sheet, the page's own, imports unfolded, then a draft. */
final class StyleSet
{
    public const UNLAYERED = PHP_INT_MAX;

    /** Imports nested deeper than this are left out. */
    private const DEEPEST_IMPORT = 8;

    /** Whether any sheet may turn the direction of text. */
    public readonly bool $hasDirections;

    /** @var array<int, Entry> */
    private array $entries = [];

    /**
     * @param  list<array{CompiledSheet, Origin, list<MediaList>, string}>  $gathered  the sheets, with their media and layer
     * @param  list<int>  $sheets  the index in $gathered of each entry, and so on: a column for each part of its address
     * @param  list<int>  $items
     * @param  list<int>  $selectors
     * @param  array<int, int>  $layers  ranks, for the entries that are in a layer
     * @param  array<string, RegisteredProperty>  $registered
     * @param  list<string>  $missing  addresses of sheets that the library doesn't have
     */
    private function __construct(
        private readonly array $gathered,
        private readonly array $sheets,
        private readonly array $items,
        private readonly array $selectors,
        private readonly array $layers,
        public readonly array $registered,
        public readonly array $missing,
    ) {
        $hasDirections = false;
        foreach ($gathered as [$sheet, $origin]) {
            $hasDirections = $hasDirections || ($origin === Origin::Author && str_contains($sheet->source, 'rtl'));
        }
        $this->hasDirections = $hasDirections;
    }

    public function count(): int
    {
        return count($this->sheets);
    }

    public function entry(int $index): Entry
    {
        return $this->entries[$index] ??= $this->read($index);
    }

    private function read(int $index): Entry
    {
        [$sheet, $origin, $media] = $this->gathered[$this->sheets[$index]];
        $rule = $sheet->item($this->items[$index]);
        if (! $rule instanceof StyleRule) {
            throw new \UnexpectedValueException('This item of a stylesheet is no rule.');
        }

        return new Entry($rule, $rule->selectors->selectors[$this->selectors[$index]], $sheet, $origin, $media, $this->layers[$index] ?? self::UNLAYERED, $index);
    }

    public static function of(Page $page, string $path, Library $library): self
    {
        $gathered = [];
        $missing = [];
        /** @param  list<MediaList>  $media */
        $add = static function (CompiledSheet $sheet, Origin $origin, array $media, string $layer) use (&$gathered): void {
            $gathered[] = [$sheet, $origin, array_values($media), $layer];
        };
        $add($library->compile(BrowserSheet::CSS, 'browser'), Origin::Browser, [], '');
        if ($page->quirks) {
            $add($library->compile(BrowserSheet::QUIRKS, 'browser'), Origin::Browser, [], '');
        }
        $unfold = static function (CompiledSheet $sheet, array $media, string $layer, array $trail) use (&$unfold, $add, $library, &$missing): void {
            foreach ($sheet->imports() as $item) {
                $target = Address::resolve($item->address, $sheet->path);
                $imported = in_array($target, $trail, true) || count($trail) >= self::DEEPEST_IMPORT ? null : $library->sheet((string) strtok($target, '?#'));
                if ($imported === null) {
                    $missing[] = $target;

                    continue;
                }
                $inner = $item->layer === null ? $layer : ltrim("$layer.{$item->layer}", '.');
                $unfold($imported, $item->media === '' ? $media : [...$media, new MediaList($item->media)], $inner, [...$trail, $target]);
            }
            $add($sheet, Origin::Author, $media, $layer);
        };
        foreach ($page->sheets as $source) {
            $target = $source->address === null ? $path : Address::resolve($source->address, $path);
            $sheet = $source->css === null ? $library->sheet(rawurldecode((string) strtok($target, '?#'))) : $library->compile($source->css, $path);
            if ($sheet === null) {
                $missing[] = $target;

                continue;
            }
            $unfold($sheet, $source->media === '' ? [] : [new MediaList($source->media)], '', [$target]);
        }

        return self::assemble($gathered, $missing);
    }

    /** With a sheet after all others: the entries so far stay as they are and keep their indexes. Its imports are left out. */
    public function plus(CompiledSheet $sheet): self
    {
        $gathered = [...$this->gathered, [$sheet, Origin::Author, [], '']];
        if (in_array(0, $sheet->selectors, true) || $sheet->layers !== []) {
            return self::assemble($gathered, $this->missing);
        }
        // Without layers of its own it moves no other entry, so that those so far can stay.
        [$sheets, $items, $selectors] = [$this->sheets, $this->items, $this->selectors];
        self::append($sheet, count($this->gathered), $sheets, $items, $selectors);
        $set = new self($gathered, $sheets, $items, $selectors, $this->layers, [...$this->registered, ...$sheet->registered], $this->missing);
        $set->entries = $this->entries;

        return $set;
    }

    /** Equal for two pages that link sheets of the same content in the same way. */
    public function fingerprint(): string
    {
        return hash('xxh128', implode(';', array_map(
            static fn (array $g): string => $g[0]->fingerprint.$g[1]->value.implode('&', array_map(static fn (MediaList $m): string => $m->text, $g[2])).','.$g[3],
            $this->gathered,
        )));
    }

    /**
     * @param  list<array{CompiledSheet, Origin, list<MediaList>, string}>  $gathered
     * @param  list<string>  $missing
     */
    private static function assemble(array $gathered, array $missing): self
    {
        $names = $registered = $layered = [];
        /** @var list<int> $sheets */
        $sheets = [];
        /** @var list<int> $items */
        $items = [];
        /** @var list<int> $selectors */
        $selectors = [];
        foreach ($gathered as $index => [$sheet, , , $prefix]) {
            $registered = [...$registered, ...$sheet->registered];
            // Anonymous layers are numbered within their sheet; the sheet's index keeps those of two sheets apart.
            $full = static fn (string $own): string => trim($prefix.'.'.str_replace('#', "#$index-", $own), '.');
            $first = count($sheets);
            self::append($sheet, $index, $sheets, $items, $selectors);
            if ($prefix === '' && $sheet->layers === [] && ! in_array(0, $sheet->selectors, true)) {
                continue;
            }
            foreach ($sheet->selectors as $number => $count) {
                $item = $count === 0 ? $sheet->item($number) : null;
                $layer = $item instanceof LayerName ? $full($item->name) : ($count > 0 ? $full($sheet->layers[$number] ?? '') : '');
                if ($layer !== '') {
                    $names[$layer] = true;
                }
                for ($end = $first + $count; $first < $end; $first++) {
                    if ($layer !== '') {
                        $layered[$first] = $layer;
                    }
                }
            }
        }
        $ranks = self::ranks(array_keys($names));

        return new self($gathered, $sheets, $items, $selectors, array_map(static fn (string $layer): int => $ranks[$layer], $layered), $registered, $missing);
    }

    /**
     * The addresses of a sheet's entries, one for each selector of each rule, at the end of the columns.
     *
     * @param  list<int>  $sheets
     * @param  list<int>  $items
     * @param  list<int>  $selectors
     */
    private static function append(CompiledSheet $sheet, int $index, array &$sheets, array &$items, array &$selectors): void
    {
        foreach ($sheet->selectors as $number => $count) {
            for ($i = 0; $i < $count; $i++) {
                $sheets[] = $index;
                $items[] = $number;
                $selectors[] = $i;
            }
        }
    }

    /**
     * Layers in order of first appearance, sublayers before what is directly in their parent.
     *
     * @param  list<string>  $names
     * @return array<string, int>
     */
    private static function ranks(array $names): array
    {
        /** @var array<string, mixed> $tree */
        $tree = [];
        foreach ($names as $name) {
            $node = &$tree;
            foreach (explode('.', $name) as $step) {
                $node[$step] ??= [];
                $node = &$node[$step];
            }
            unset($node);
        }
        $ranks = [];
        $walk = static function (array $nodes, string $prefix) use (&$walk, &$ranks): void {
            foreach ($nodes as $step => $children) {
                $walk($children, "$prefix$step.");
                $ranks["$prefix$step"] = count($ranks);
            }
        };
        $walk($tree, '');

        return $ranks;
    }
}
