<?php

declare(strict_types=1);

namespace Insignum\Sheet;

use Insignum\Selector\SelectorText;
use Insignum\Syntax\AtRule;
use Insignum\Syntax\Comment;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\Node;
use Insignum\Syntax\Parser;
use Insignum\Syntax\Rule;

/** CSS to a sheet. What isn't an override is kept as a raw block, so that nothing is lost. */
final class SheetReader
{
    /** @param  callable(): string  $newId */
    public static function read(string $css, callable $newId): Sheet
    {
        $parsed = Parser::stylesheet($css);
        $entries = [];
        $note = null;
        foreach ($parsed->children as $node) {
            if ($node instanceof Comment) {
                array_push($entries, ...self::pending($note, $newId));
                $text = self::fromComment($node->text);
                $note = null;
                if (str_starts_with($text, SheetWriter::HEADING)) {
                    $entries[] = new Heading($newId(), trim(substr($text, strlen(SheetWriter::HEADING))));
                } elseif (str_starts_with($text, SheetWriter::OFF) && ($off = self::switchedOff(substr($text, strlen(SheetWriter::OFF)), $newId)) !== null) {
                    $entries[] = $off;
                } else {
                    $note = $text;
                }

                continue;
            }
            $override = self::override($node, $note ?? '', $newId);
            $before = end($entries);
            if ($override !== null && $note === null && $before instanceof Override && ($both = self::together($before, $override)) !== null) {
                array_pop($entries);
                $entries[] = $both;
            } elseif ($override !== null) {
                $entries[] = $override;
            } else {
                array_push($entries, ...self::pending($note, $newId));
                $entries[] = new RawBlock($newId(), trim(substr($parsed->source, $node->start(), self::end($node) - $node->start())));
            }
            $note = null;
        }
        array_push($entries, ...self::pending($note, $newId));

        return new Sheet(self::joinNotes($entries));
    }

    /**
     * @param  callable(): string  $newId
     * @return list<SheetEntry>
     */
    private static function pending(?string $note, callable $newId): array
    {
        return $note === null ? [] : [new RawBlock($newId(), "/* $note */")];
    }

    /**
     * A note that stands before a switched-off override was read as a raw comment: it belongs to it.
     *
     * @param  list<SheetEntry>  $entries
     * @return list<SheetEntry>
     */
    private static function joinNotes(array $entries): array
    {
        $out = [];
        foreach ($entries as $entry) {
            $before = end($out);
            if ($entry instanceof Override && ! $entry->enabled && $before instanceof RawBlock && preg_match('~\A/\* (.*) \*/\z~s', $before->css, $m)) {
                array_pop($out);
                $entry = $entry->withNote($m[1]);
            }
            $out[] = $entry;
        }

        return $out;
    }

    /** @param  callable(): string  $newId */
    private static function switchedOff(string $css, callable $newId): ?Override
    {
        $entries = self::read($css, $newId)->entries;

        return count($entries) === 1 && $entries[0] instanceof Override ? $entries[0]->switched(false) : null;
    }

    /** Rules on the same elements for ever narrower widths are one override; null where they aren't that. */
    private static function together(Override $wide, Override $narrow): ?Override
    {
        $last = array_column($wide->byWidth(), 0);
        $last = $last[count($last) - 1];
        if (! $wide->enabled || $wide->selector !== $narrow->selector || $wide->state !== $narrow->state || $narrow->widths == $last || $narrow->widths->span() > $last->span()) {
            return null;
        }

        return $wide->withDeclarations([...$wide->declarations, ...array_map(static fn (OverrideDeclaration $d): OverrideDeclaration => $d->at($narrow->widths), $narrow->declarations)]);
    }

    /** @param  callable(): string  $newId */
    private static function override(Node $node, string $note, callable $newId): ?Override
    {
        $widths = new WidthRange;
        if ($node instanceof AtRule && $node->name === 'media' && count($node->children ?? []) === 1) {
            $range = WidthRange::parse($node->prelude);
            if ($range === null) {
                return null;
            }
            $widths = $range;
            $node = $node->children[0];
        }
        if (! $node instanceof Rule) {
            return null;
        }
        $declarations = [];
        foreach ($node->children() as $child) {
            if ($child instanceof Declaration) {
                $declarations[] = new OverrideDeclaration($child->name, $child->value, $child->important);
            } elseif ($child instanceof Comment && ($off = self::offDeclaration($child)) !== null) {
                $declarations[] = $off;
            } else {
                return null;
            }
        }
        [$selector, $state] = self::withoutState($node->prelude);

        return new Override($newId(), $selector, $declarations, $note, true, $widths, $state);
    }

    private static function offDeclaration(Comment $comment): ?OverrideDeclaration
    {
        $text = self::fromComment($comment->text);
        if (! str_starts_with($text, SheetWriter::OFF)) {
            return null;
        }
        $nodes = Parser::block(substr($text, strlen(SheetWriter::OFF)))->children;

        return count($nodes) === 1 && $nodes[0] instanceof Declaration
            ? new OverrideDeclaration($nodes[0]->name, $nodes[0]->value, $nodes[0]->important, false)
            : null;
    }

    /** @return array{string, string} the selector, and the state that all its parts end in */
    private static function withoutState(string $prelude): array
    {
        $parts = SelectorText::split($prelude);
        foreach (Override::STATES as $state) {
            $pattern = "/(?<=[^\\s>+~:]):$state(::[-\\w]+)?\\z/";
            $hits = array_filter($parts, static fn (string $part): bool => preg_match($pattern, $part) === 1 && ! preg_match('/:(?:'.implode('|', Override::STATES).').*:(?:'.implode('|', Override::STATES).')/', $part));
            if (count($hits) === count($parts)) {
                return [implode(', ', array_map(static fn (string $part): string => (string) preg_replace($pattern, '$1', $part), $parts)), $state];
            }
        }

        return [implode(', ', $parts), ''];
    }

    private static function end(Node $node): int
    {
        return $node instanceof Rule || $node instanceof AtRule || $node instanceof Declaration || $node instanceof \Insignum\Syntax\Raw ? $node->end : $node->start();
    }

    private static function fromComment(string $text): string
    {
        return trim(str_replace('*∕', '*/', $text));
    }
}
