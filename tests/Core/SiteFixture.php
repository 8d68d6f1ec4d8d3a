<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Effect\SitePage;
use Insignum\Effect\Survey;
use Insignum\Page\Page;
use Insignum\Page\PageReader;
use Insignum\Selector\States;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Style\StyleSet;

/** A small site in memory: pages by path, one theme sheet that they all link. */
final class SiteFixture
{
    public readonly MemoryLibrary $library;

    public readonly Declarations $declarations;

    /** @var array<string, Page> */
    public readonly array $pages;

    /** @param  array<string, string>  $bodies body content, or a whole body element, by page path */
    public function __construct(array $bodies, string $css, private readonly Condition $condition = new Condition)
    {
        $this->declarations = new Declarations;
        $this->library = new MemoryLibrary(['/theme.css' => $css], $this->declarations);
        $this->pages = array_map(static fn (string $body): Page => PageReader::read(
            '<!doctype html><html lang="en"><head><title>T</title><link rel="stylesheet" href="/theme.css"></head>'.(str_starts_with($body, '<body') ? $body : "<body>$body</body>").'</html>',
        ), $bodies);
    }

    public static function one(string $body, string $css, Condition $condition = new Condition): self
    {
        return new self(['index.html' => $body], $css, $condition);
    }

    public function styles(string $path = 'index.html', States $states = new States): PageStyles
    {
        return PageStyles::of($this->pages[$path], "/$path", StyleSet::of($this->pages[$path], "/$path", $this->library), $this->condition, $this->declarations, $states);
    }

    public function page(string $path, ?Condition $condition = null): SitePage
    {
        $page = $this->pages[$path];
        $set = StyleSet::of($page, "/$path", $this->library);

        return new SitePage($path, $page, fn (States $states, Page $page): PageStyles => PageStyles::of($page, "/$path", $set, $condition ?? $this->condition, $this->declarations, $states));
    }

    public function survey(): Survey
    {
        $pages = array_map($this->page(...), array_keys($this->pages));

        return new Survey($pages, $this->library, $this->declarations->table);
    }

    /** The value on the first element that has the id. */
    public function value(string $id, string $property): ?string
    {
        $styles = $this->styles();

        return $styles->style($styles->page->byId[$id][0])->value($property);
    }

    /** @param  array<string, string>  $declarations */
    public static function override(string $selector, array $declarations, string $state = '', string $meant = ''): Override
    {
        return new Override('o1', $selector, array_map(static fn (string $name, string $value): OverrideDeclaration => new OverrideDeclaration($name, $value), array_keys($declarations), $declarations), state: $state, meant: $meant);
    }
}
