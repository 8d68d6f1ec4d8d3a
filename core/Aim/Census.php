<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;

/**
 * All elements of all pages of a site as one row of bits, so that sets of them are strings that are cut by `&` and `~`.
 *
 * Every page begins at a whole byte. Cost: a set takes an eighth of a byte for each element, and is built once.
 */
final class Census
{
    /** @var array<string, int> the first byte of each page */
    private array $starts = [];

    private int $bytes = 0;

    /** @var array<string, string> */
    private array $sets = [];

    /** @var array<int, int> the number of ones in each byte */
    private array $ones = [];

    /** @param  array<string, Page>  $pages by path */
    public function __construct(public readonly array $pages)
    {
        foreach ($pages as $path => $page) {
            $this->starts[$path] = $this->bytes;
            $this->bytes += ($page->count() + 7) >> 3;
        }
    }

    public function none(): string
    {
        return str_repeat("\0", $this->bytes);
    }

    /** @param  array<string, list<int>>  $elements by page */
    public function set(array $elements): string
    {
        $set = $this->none();
        foreach ($elements as $path => $list) {
            $start = $this->starts[$path];
            foreach ($list as $element) {
                $at = $start + ($element >> 3);
                $set[$at] = chr(ord($set[$at]) | 1 << ($element & 7));
            }
        }

        return $set;
    }

    /** @return array<string, list<int>> by page; pages without any are left out */
    public function elements(string $set): array
    {
        $found = [];
        foreach ($this->pages as $path => $page) {
            $part = substr($set, $this->starts[$path], ($page->count() + 7) >> 3);
            for ($at = strspn($part, "\0"), $length = strlen($part); $at < $length; $at += 1 + strspn($part, "\0", $at + 1)) {
                $byte = ord($part[$at]);
                for ($bit = 0; $bit < 8; $bit++) {
                    if ($byte >> $bit & 1) {
                        $found[$path][] = $at * 8 + $bit;
                    }
                }
            }
        }

        return $found;
    }

    public function count(string $set): int
    {
        if ($this->ones === []) {
            $this->ones = array_map(static fn (int $byte): int => substr_count(decbin($byte), '1'), range(0, 255));
        }
        $sum = 0;
        foreach (count_chars($set, 1) as $byte => $times) {
            $sum += $this->ones[$byte] * $times;
        }

        return $sum;
    }

    public static function isEmpty(string $set): bool
    {
        return trim($set, "\0") === '';
    }

    /**
     * The elements listed under a name in one of the pages' columns.
     *
     * @param  'byTag'|'byClass'|'byId'  $column
     */
    public function named(string $column, string $name): string
    {
        return $this->sets["$column $name"] ??= $this->set($this->listed($column, $name));
    }

    /**
     * @param  'byTag'|'byClass'|'byId'  $column
     * @return array<string, list<int>>
     */
    public function listed(string $column, string $name): array
    {
        $found = [];
        foreach ($this->pages as $path => $page) {
            $list = $page->{$column}[$name] ?? [];
            if ($list !== []) {
                $found[$path] = $list;
            }
        }

        return $found;
    }

    /** The elements of a tag whose attribute has a value. */
    public function attributed(string $tag, string $name, string $value): string
    {
        return $this->sets["@$tag $name=$value"] ??= $this->set($this->picked($this->listed('byTag', $tag), static fn (Page $page, int $e): bool => ($page->attributes[$e][$name] ?? null) === $value));
    }

    /** The elements that have an attribute, whatever its value. */
    public function having(string $name): string
    {
        return $this->sets["@ $name"] ??= $this->set(array_map(static fn (Page $page): array => array_keys(array_filter($page->attributes, static fn (array $a): bool => isset($a[$name]))), $this->pages));
    }

    /** The elements at a position: `first-child`, `last-child`, `odd`, `even` or a number from 1. */
    public function placed(string $position): string
    {
        return $this->sets["at $position"] ??= $this->set(array_map(static function (Page $page) use ($position): array {
            $found = [];
            foreach ($page->children as $children) {
                array_push($found, ...match ($position) {
                    'first-child' => array_slice($children, 0, 1),
                    'last-child' => array_slice($children, -1),
                    'odd' => array_values(array_filter($children, static fn (int $i): bool => $i % 2 === 0, ARRAY_FILTER_USE_KEY)),
                    'even' => array_values(array_filter($children, static fn (int $i): bool => $i % 2 === 1, ARRAY_FILTER_USE_KEY)),
                    default => array_slice($children, (int) $position - 1, 1),
                });
            }

            return $found;
        }, $this->pages));
    }

    /** Everything inside the elements of a set; `$key` names the set, so that the answer is kept. */
    public function inside(string $key, string $set): string
    {
        return $this->sets["in $key"] ??= $this->descendants($set);
    }

    /** The element children of a set. */
    public function childrenOf(string $key, string $set): string
    {
        return $this->sets["child $key"] ??= $this->set($this->mapped($set, static fn (Page $page, int $e): array => $page->children[$e]));
    }

    /** The next element siblings of a set. */
    public function after(string $key, string $set): string
    {
        return $this->sets["next $key"] ??= $this->set($this->mapped($set, static function (Page $page, int $e): array {
            $next = $page->parents[$e] < 0 ? null : $page->children[$page->parents[$e]][$page->positions[$e] + 1] ?? null;

            return $next === null ? [] : [$next];
        }));
    }

    private function descendants(string $set): string
    {
        $out = $this->none();
        foreach ($this->elements($set) as $path => $elements) {
            $page = $this->pages[$path];
            $done = 0;
            foreach ($elements as $element) {
                // Descendants follow their element in document order, so they are one run of bits.
                for ($e = max($element + 1, $done), $end = $page->ends[$element]; $e < $end;) {
                    $at = $this->starts[$path] + ($e >> 3);
                    if (($e & 7) === 0 && $end - $e >= 8) {
                        $out[$at] = "\xFF";
                        $e += 8;
                    } else {
                        $out[$at] = chr(ord($out[$at]) | 1 << ($e & 7));
                        $e++;
                    }
                }
                $done = max($done, $page->ends[$element]);
            }
        }

        return $out;
    }

    /**
     * @param  callable(Page, int): list<int>  $map
     * @return array<string, list<int>>
     */
    private function mapped(string $set, callable $map): array
    {
        $found = [];
        foreach ($this->elements($set) as $path => $elements) {
            foreach ($elements as $element) {
                foreach ($map($this->pages[$path], $element) as $other) {
                    $found[$path][] = $other;
                }
            }
        }

        return $found;
    }

    /**
     * @param  array<string, list<int>>  $elements
     * @param  callable(Page, int): bool  $accepts
     * @return array<string, list<int>>
     */
    private function picked(array $elements, callable $accepts): array
    {
        foreach ($elements as $path => $list) {
            $elements[$path] = array_values(array_filter($list, fn (int $e): bool => $accepts($this->pages[$path], $e)));
        }

        return $elements;
    }
}
