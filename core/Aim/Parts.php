<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;
use Insignum\Syntax\Ident;

/** The simple selectors that an element can be told by, each with what it costs to rely on it. */
final class Parts
{
    /** Tags that say little about what a thing is. */
    private const PLAIN = ['div', 'span', 'i', 'b', 'svg', 'path', 'font', 'center', 'tbody'];

    /** Attributes that tell what an element is for, and what relying on them costs. */
    private const TELLING = ['type' => 3.0, 'role' => 3.5, 'name' => 4.0, 'rel' => 4.5, 'aria-label' => 5.0, 'for' => 5.0, 'itemprop' => 4.0, 'scope' => 4.0, 'method' => 4.5, 'href' => 7.0, 'src' => 8.0, 'alt' => 7.0, 'placeholder' => 6.0, 'action' => 6.0,
        'disabled' => 5.0, 'checked' => 6.0, 'required' => 5.0, 'readonly' => 5.0, 'multiple' => 5.0, 'open' => 7.0, 'aria-expanded' => 7.0, 'aria-current' => 6.0, 'aria-selected' => 7.0, 'aria-labelledby' => 7.0];

    private readonly LifetimeJudge $judge;

    /** @var array<string, Part> */
    private array $known = [];

    /** @var array<string, array<string, Part>> by page and element, as every mark asks for what is around it */
    private array $of = [];

    /** @param  array<string, Page>  $earlier  the pages of an older snapshot, if there is one */
    public function __construct(private readonly Census $census, array $earlier = [])
    {
        $this->judge = LifetimeJudge::of($census->pages, $earlier);
    }

    /** @return array<string, Part> by text, for an element itself */
    public function of(string $path, int $element): array
    {
        return $this->of["$path#$element"] ??= $this->read($path, $element);
    }

    /** @return array<string, Part> */
    private function read(string $path, int $element): array
    {
        $page = $this->census->pages[$path];
        $tag = $page->tags[$element];
        $parts = [$tag => $this->tag($tag)];
        foreach ($page->classes[$element] as $class) {
            $part = $this->class($class);
            $parts[$part->text] = $part;
        }
        $id = $page->attribute($element, 'id');
        if ($id !== null && $id !== '') {
            $part = $this->id($id);
            $parts[$part->text] = $part;
        }
        foreach ($page->attributes[$element] as $name => $value) {
            $cost = self::TELLING[$name] ?? (str_starts_with($name, 'data-') ? 6.0 : null);
            if ($cost !== null && strlen($value) <= 40) {
                $part = $this->attribute($tag, $name, $value, $cost);
                $parts[$part->text] = $part;
            }
            if (str_starts_with($name, 'data-') || $name === 'role') {
                $text = "[$name]";
                $parts[$text] = $this->known[$text] ??= new Part($text, fn (): string => $this->census->having($name), 5.5);
            }
        }

        return $parts;
    }

    /** @return array<string, Part> by its position among its siblings: the last resort */
    public function positions(string $path, int $element): array
    {
        $page = $this->census->pages[$path];
        $parent = $page->parents[$element];
        if ($parent < 0) {
            return [];
        }
        $at = $page->positions[$element];
        $count = count($page->children[$parent]);
        $found = [$this->place($at % 2 === 0 ? 'odd' : 'even', 18.0), $this->place((string) ($at + 1), 17.0)];
        foreach (['first-child' => $at === 0, 'last-child' => $at === $count - 1] as $name => $isThere) {
            $place = $this->place($name, 11.0);
            $found[] = $isThere ? $place : $this->not($place);
        }

        return array_combine(array_map(static fn (Part $p): string => $p->text, $found), $found);
    }

    private function place(string $name, float $cost): Part
    {
        $text = str_ends_with($name, 'child') ? ":$name" : ":nth-child($name)";

        return $this->known[$text] ??= new Part($text, fn (): string => $this->census->placed($name), $cost, "$text goes by position: it takes another one when something is put in before it.", true);
    }

    /** @return array<string, Part> its tag with its position */
    public function placed(string $path, int $element): array
    {
        $tag = $this->tag($this->census->pages[$path]->tags[$element]);
        $placed = [];
        foreach ($this->positions($path, $element) as $position) {
            $text = $tag->text.$position->text;
            $placed[$text] = new Part($text, static fn (): string => $tag->set() & $position->set(), $tag->cost + $position->cost, $position->reason, true);
        }

        return $placed;
    }

    /** Everything inside what a part takes, as `.foot *`. */
    public function inside(Part $part): Part
    {
        return new Part("{$part->text} *", fn (): string => $this->census->inside($part->text, $part->set()), $part->cost + 2.0, $part->reason, $part->isPlace);
    }

    public function not(Part $part): Part
    {
        return $this->known[":not({$part->text})"] ??= new Part(":not({$part->text})", static fn (): string => ~$part->set(), 3.0 + $part->cost, $part->reason, $part->isPlace);
    }

    public function tag(string $tag): Part
    {
        return $this->known[$tag] ??= new Part(Ident::escape($tag), fn (): string => $this->census->named('byTag', $tag), in_array($tag, self::PLAIN, true) ? 5.5 : 3.2);
    }

    private function class(string $class): Part
    {
        $text = '.'.Ident::escape($class);

        return $this->known[$text] ??= $this->judged($text, $class, 2.0, fn (): string => $this->census->named('byClass', $class));
    }

    private function id(string $id): Part
    {
        $text = '#'.Ident::escape($id);

        return $this->known[$text] ??= $this->judged($text, $id, 4.0, fn (): string => $this->census->named('byId', $id));
    }

    /** With its tag, as `[name=…]` alone says little. */
    private function attribute(string $tag, string $name, string $value, float $cost): Part
    {
        $text = Ident::escape($tag).($value === '' ? "[$name]" : "[$name=".Ident::quote($value).']');
        $lifetime = $this->judge->judge($value);
        $isGenerated = $lifetime === Lifetime::Generated || $lifetime === Lifetime::Numbered;

        return $this->known[$text] ??= new Part($text, fn (): string => $this->census->attributed($tag, $name, $value), $cost + ($isGenerated ? 10.0 : 0.0), $isGenerated ? $lifetime->reason($text) : null);
    }

    /** @param  \Closure(): string  $find */
    private function judged(string $text, string $name, float $base, \Closure $find): Part
    {
        $lifetime = $this->judge->judge($name);
        $cost = $base + match ($lifetime) {
            Lifetime::Lasting => 0.0,
            Lifetime::New => 3.0,
            Lifetime::Utility => 6.0,
            Lifetime::State => 7.0,
            Lifetime::Numbered => 9.0,
            Lifetime::Generated => 13.0,
        };

        return new Part($text, $find, $cost, $lifetime->reason($text));
    }
}
