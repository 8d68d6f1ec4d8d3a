<?php

declare(strict_types=1);

namespace Insignum\Sheet;

use Insignum\Selector\SelectorText;

/**
 * A sheet as CSS: headings and notes are comments, one declaration a line. What is switched off is left out of what goes
 * live, and kept inside a comment where the sheet itself is written down.
 */
final class SheetWriter
{
    public const HEADING = '# ';

    public const OFF = 'off:';

    private const BETWEEN = "\n\n";

    public static function live(Sheet $sheet): string
    {
        return self::write($sheet, false);
    }

    public static function whole(Sheet $sheet): string
    {
        return self::write($sheet, true);
    }

    public static function override(Override $override, bool $whole = false): string
    {
        $rules = [];
        foreach ($override->byWidth() as [$range, $declarations]) {
            $rules[] = self::rule($override->fullSelector(), $range, $declarations, $whole);
        }
        $css = implode(self::BETWEEN, array_filter($rules)) ?: self::rule($override->fullSelector(), $override->widths, [], $whole, true);
        $note = $override->note === '' ? '' : '/* '.self::inComment($override->note)." */\n";
        if (! $override->enabled) {
            return $note.'/* '.self::OFF."\n".self::inComment($css)."\n*/";
        }

        return $note.$css;
    }

    /** @param  list<OverrideDeclaration>  $declarations */
    private static function rule(string $selector, WidthRange $range, array $declarations, bool $whole, bool $isEmptyToo = false): string
    {
        $indent = $range->isAny() ? '' : '  ';
        $lines = '';
        foreach ($declarations as $declaration) {
            if ($declaration->enabled) {
                $lines .= "$indent  {$declaration->css()}\n";
            } elseif ($whole) {
                $lines .= "$indent  /* ".self::OFF.' '.self::inComment($declaration->css())." */\n";
            }
        }
        if ($lines === '' && ! $isEmptyToo) {
            return '';
        }
        $rule = $indent.implode(",\n$indent", SelectorText::split($selector))." {\n$lines$indent}";

        return $range->isAny() ? $rule : "@media {$range->media()} {\n$rule\n}";
    }

    /** @return array<int, string> the ids of the entries by the offset at which each begins in what goes live */
    public static function places(Sheet $sheet): array
    {
        $places = [];
        $offset = 0;
        foreach (self::blocks($sheet, false) as [$id, $block]) {
            $places[$offset] = $id;
            $offset += strlen($block) + strlen(self::BETWEEN);
        }

        return $places;
    }

    /** @param  array<int, string>  $places  as `places` gives them */
    public static function entryAt(array $places, int $offset): ?string
    {
        $found = null;
        foreach ($places as $start => $id) {
            if ($start > $offset) {
                break;
            }
            $found = $id;
        }

        return $found;
    }

    private static function write(Sheet $sheet, bool $whole): string
    {
        $blocks = array_column(self::blocks($sheet, $whole), 1);

        return $blocks === [] ? '' : implode(self::BETWEEN, $blocks)."\n";
    }

    /** @return list<array{string, string}> the id and the text of each entry that is written */
    private static function blocks(Sheet $sheet, bool $whole): array
    {
        $blocks = [];
        foreach ($sheet->entries as $entry) {
            $text = match (true) {
                $entry instanceof Heading => '/* '.self::HEADING.self::inComment($entry->text).' */',
                $entry instanceof RawBlock => trim($entry->css),
                $entry instanceof Override && ($whole || ($entry->enabled && $entry->active() !== [])) => self::override($entry, $whole),
                default => null,
            };
            if ($text !== null) {
                $blocks[] = [$entry->id(), $text];
            }
        }

        return $blocks;
    }

    /** A comment can't hold its own end. */
    private static function inComment(string $text): string
    {
        return str_replace('*/', '*∕', $text);
    }
}
