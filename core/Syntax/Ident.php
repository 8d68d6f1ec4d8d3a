<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Names and strings with their escapes: CSS Syntax 3, 4.3.7, and CSSOM 2.1 for writing them. */
final class Ident
{
    /** The value of an ident, a hash's name or the inside of a string. */
    public static function unescape(string $text): string
    {
        if (! str_contains($text, '\\')) {
            return $text;
        }

        return (string) preg_replace_callback(
            '/\\\\(?:([0-9a-fA-F]{1,6})[ \t\n]?|(\n)|(.)|\z)/su',
            static fn (array $m): string => match (true) {
                ($m[1] ?? '') !== '' => self::codePoint((int) hexdec($m[1])),
                ($m[2] ?? '') !== '' => '',
                default => $m[3] ?? "\u{FFFD}",
            },
            $text,
        );
    }

    /** A name written so that it parses to itself: CSSOM "serialize an identifier". */
    public static function escape(string $name): string
    {
        if (preg_match('/\A-?[a-zA-Z_\x80-\xff][-\w\x80-\xff]*+\z|\A--[-\w\x80-\xff]*+\z/', $name) === 1) {
            return $name;
        }
        if ($name === '-') {
            return '\\-';
        }
        $out = '';
        foreach (mb_str_split($name) as $index => $char) {
            $code = mb_ord($char);
            $digitFirst = $code >= 0x30 && $code <= 0x39 && ($index === 0 || ($index === 1 && $name[0] === '-'));
            $out .= match (true) {
                $code === 0 => "\u{FFFD}",
                $code < 0x20 || $code === 0x7F || $digitFirst => '\\'.dechex($code).' ',
                $code >= 0x80 || ctype_alnum($char) || $char === '-' || $char === '_' => $char,
                default => '\\'.$char,
            };
        }

        return $out;
    }

    /** The value of a string token, with or without its closing quote. */
    public static function unquote(string $token): string
    {
        $inside = substr($token, 1);
        if ($inside !== '' && $inside[-1] === $token[0]) {
            $inside = substr($inside, 0, -1);
        }

        return self::unescape($inside);
    }

    /** A string token that holds the value: CSSOM "serialize a string". */
    public static function quote(string $value): string
    {
        return '"'.strtr($value, ['\\' => '\\\\', '"' => '\\"', "\n" => '\\a ']).'"';
    }

    private static function codePoint(int $code): string
    {
        $valid = $code > 0 && $code <= 0x10FFFF && ($code < 0xD800 || $code > 0xDFFF);

        return $valid ? (string) mb_chr($code) : "\u{FFFD}";
    }
}
