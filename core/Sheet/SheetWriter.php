<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/**
 * A sheet as CSS: headings and notes are comments, one declaration a line. What is switched off is left out of what goes
 * live, and kept inside a comment where the sheet itself is written down.
 */
final class SheetWriter
{
    public const HEADING = '# ';

    public const OFF = 'off:';

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
        $indent = $override->widths->isAny() ? '' : '  ';
        $lines = '';
        foreach ($override->declarations as $declaration) {
            if ($declaration->enabled) {
                $lines .= "$indent  {$declaration->css()}\n";
            } elseif ($whole) {
                $lines .= "$indent  /* ".self::OFF.' '.self::inComment($declaration->css())." */\n";
            }
        }
        $selector = implode(",\n$indent", SelectorText::split($override->fullSelector()));
        $css = "$indent$selector {\n$lines$indent}";
        if (! $override->widths->isAny()) {
            $css = "@media {$override->widths->media()} {\n$css\n}";
        }
        $note = $override->note === '' ? '' : '/* '.self::inComment($override->note)." */\n";
        if (! $override->enabled) {
            return $note.'/* '.self::OFF."\n".self::inComment($css)."\n*/";
        }

        return $note.$css;
    }

    private static function write(Sheet $sheet, bool $whole): string
    {
        $blocks = [];
        foreach ($sheet->entries as $entry) {
            if ($entry instanceof Heading) {
                $blocks[] = '/* '.self::HEADING.self::inComment($entry->text).' */';
            } elseif ($entry instanceof RawBlock) {
                $blocks[] = trim($entry->css);
            } elseif ($entry instanceof Override && ($whole || ($entry->enabled && $entry->active() !== []))) {
                $blocks[] = self::override($entry, $whole);
            }
        }

        return $blocks === [] ? '' : implode("\n\n", $blocks)."\n";
    }

    /** A comment can't hold its own end. */
    private static function inComment(string $text): string
    {
        return str_replace('*/', '*∕', $text);
    }
}
