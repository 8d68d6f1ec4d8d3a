<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;
use Insignum\Style\Value\Address;

/** All rules that bear on a page, in cascade order: the browser's sheet, the page's own, imports unfolded, then a draft. */
final readonly class StyleSet
{
    public const UNLAYERED = PHP_INT_MAX;

    /** Imports nested deeper than this are left out. */
    private const DEEPEST_IMPORT = 8;

    /** Whether any sheet may turn the direction of text. */
    public bool $hasDirections;

    /**
     * @param  list<Entry>  $entries
     * @param  array<string, RegisteredProperty>  $registered
     * @param  list<string>  $missing  addresses of sheets that the library doesn't have
     * @param  list<array{CompiledSheet, Origin, list<MediaList>, string}>  $gathered  the sheets, with their media and layer
     */
    private function __construct(public array $entries, public array $registered, public array $missing, private array $gathered)
    {
        $hasDirections = false;
        foreach ($gathered as [$sheet, $origin]) {
            $hasDirections = $hasDirections || ($origin === Origin::Author && str_contains($sheet->source, 'rtl'));
        }
        $this->hasDirections = $hasDirections;
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
            foreach ($sheet->items as $item) {
                if (! $item instanceof ImportRule) {
                    continue;
                }
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
        foreach ($sheet->items as $item) {
            if ($item instanceof LayerName) {
                return self::assemble($gathered, $this->missing);
            }
        }
        // Without layers of its own it moves no other entry, so that those so far can stay.
        $entries = $this->entries;
        $order = count($entries);
        foreach ($sheet->rules() as $rule) {
            foreach ($rule->selectors->selectors as $selector) {
                $entries[] = new Entry($rule, $selector, $sheet, Origin::Author, [], self::UNLAYERED, $order++);
            }
        }

        return new self($entries, [...$this->registered, ...$sheet->registered], $this->missing, $gathered);
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
        $names = $rows = $registered = [];
        $order = 0;
        foreach ($gathered as $index => [$sheet, $origin, $media, $prefix]) {
            $registered = [...$registered, ...$sheet->registered];
            foreach ($sheet->items as $item) {
                if ($item instanceof ImportRule) {
                    continue;
                }
                $own = $item instanceof LayerName ? $item->name : $item->layer;
                // Anonymous layers are numbered within their sheet; the sheet's index keeps those of two sheets apart.
                $layer = trim($prefix.'.'.str_replace('#', "#$index-", $own), '.');
                if ($layer !== '') {
                    $names[$layer] = true;
                }
                if ($item instanceof StyleRule) {
                    foreach ($item->selectors->selectors as $selector) {
                        $rows[] = [$item, $selector, $sheet, $origin, $media, $layer, $order++];
                    }
                }
            }
        }
        $ranks = self::ranks(array_keys($names));
        $entries = array_map(
            static fn (array $r): Entry => new Entry($r[0], $r[1], $r[2], $r[3], $r[4], $r[5] === '' ? self::UNLAYERED : $ranks[$r[5]], $r[6]),
            $rows,
        );

        return new self($entries, $registered, $missing, $gathered);
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
