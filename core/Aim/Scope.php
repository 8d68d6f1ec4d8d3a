<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\SelectorText;

/** What a site always puts in front of its overrides, such as `#site`, where its theme wants one. */
final class Scope
{
    /** @var array<string, Matcher> */
    private array $matchers = [];

    /** @param  array<string, Page>  $pages by path */
    public function __construct(private readonly string $prefix, private readonly array $pages)
    {
    }

    /** The selector with the scope in front, or after what it says of the page; as it was where that would lose some of its reach. */
    public function before(string $selector): string
    {
        if ($this->prefix === '' || str_contains($selector, $this->prefix)) {
            return $selector;
        }
        $parts = SelectorText::split($selector);
        foreach ($parts as $i => $part) {
            $reach = $this->reach($part);
            foreach ($this->places($part) as $scoped) {
                if ($this->reach($scoped) === $reach) {
                    $parts[$i] = $scoped;
                    break;
                }
            }
        }

        return implode(', ', $parts);
    }

    /** @return list<string> */
    private function places(string $complex): array
    {
        $steps = SelectorText::steps($complex);
        $places = ["{$this->prefix} $complex"];
        if (count($steps) > 1) {
            $places[] = SelectorText::join([$steps[0], [' ', [$this->prefix]], ...array_slice($steps, 1)]);
        }

        return $places;
    }

    /** @return array<string, list<int>> */
    private function reach(string $selector): array
    {
        try {
            $list = SelectorParser::parse($selector);
        } catch (InvalidSelector) {
            return [];
        }
        $reach = [];
        foreach ($this->pages as $path => $page) {
            $reach[$path] = ($this->matchers[$path] ??= new Matcher($page))->selectAny($list);
        }

        return $reach;
    }
}
