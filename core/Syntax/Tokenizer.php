<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * CSS Syntax 3, section 4, as one regular expression that names each alternative by a mark.
 *
 * Cost: linear in the source. Every quantifier is possessive, so no input makes it back-track.
 */
final class Tokenizer
{
    private const ESCAPE = '\\\\(?:[0-9a-fA-F]{1,6}+[ \t\n]?+|[^\n0-9a-fA-F]|\z)';

    /** Non-ASCII ident code points: section 4.2. */
    private const WIDE = '\x{B7}\x{C0}-\x{D6}\x{D8}-\x{F6}\x{F8}-\x{37D}\x{37F}-\x{1FFF}\x{200C}\x{200D}\x{203F}\x{2040}\x{2070}-\x{218F}\x{2C00}-\x{2FEF}\x{3001}-\x{D7FF}\x{F900}-\x{FDCF}\x{FDF0}-\x{FFFD}\x{10000}-\x{10FFFF}';

    private const NAME = '(?:[-a-zA-Z0-9_]++|['.self::WIDE.']|'.self::ESCAPE.')*+';

    private const IDENT = '(?:--|-?+(?:[a-zA-Z_]|['.self::WIDE.']|'.self::ESCAPE.'))'.self::NAME;

    private const NUMBER = '[+-]?+(?:\d++(?:\.\d++)?+|\.\d++)(?:[eE][+-]?+\d++)?+';

    /** `url(` in either case, each letter plain or escaped, not followed by a quote. */
    private const URL_OPEN = '(?:[uU]|\\\\(?:0{0,4}[57]5[ \t\n]?+|[uU]))(?:[rR]|\\\\(?:0{0,4}[57]2[ \t\n]?+|[rR]))(?:[lL]|\\\\(?:0{0,4}[46][cC][ \t\n]?+|[lL]))\([ \t\n]*+(?!["\'])';

    private const DOUBLE = '(?:[^"\\\\\n]++|'.self::ESCAPE.'|\\\\\n)*+';

    private const SINGLE = '(?:[^\'\\\\\n]++|'.self::ESCAPE.'|\\\\\n)*+';

    /** A constant, so that the regular expression's cache finds it by a hash that is known already. */
    private const PATTERN = '/\G(?:'
        .'(?:'.'[ \t\n]++'.')(*MARK:'.TokenType::WHITESPACE.')'
        .'|(?:'.'\/\*[^*]*+(?:\*(?!\/)[^*]*+)*+(?:\*\/|\z)'.')(*MARK:'.TokenType::COMMENT.')'
        .'|(?:'.self::URL_OPEN.'(?:[^"\'()\\\\ \t\n\x00-\x08\x0b\x0e-\x1f\x7f]|'.self::ESCAPE.')*+[ \t\n]*+(?:\)|\z)'.')(*MARK:'.TokenType::URL.')'
        .'|(?:'.self::URL_OPEN.'(?:\\\\.|[^)\\\\])*+(?:\)|\\\\?\z)'.')(*MARK:'.TokenType::BAD_URL.')'
        .'|(?:'.self::IDENT.'\('.')(*MARK:'.TokenType::FUNCTION.')'
        .'|(?:'.'-->'.')(*MARK:'.TokenType::CDC.')'
        .'|(?:'.self::IDENT.')(*MARK:'.TokenType::IDENT.')'
        .'|(?:'.self::NUMBER.self::IDENT.')(*MARK:'.TokenType::DIMENSION.')'
        .'|(?:'.self::NUMBER.'%'.')(*MARK:'.TokenType::PERCENTAGE.')'
        .'|(?:'.self::NUMBER.')(*MARK:'.TokenType::NUMBER.')'
        .'|(?:'.':'.')(*MARK:'.TokenType::COLON.')'
        .'|(?:'.';'.')(*MARK:'.TokenType::SEMICOLON.')'
        .'|(?:'.','.')(*MARK:'.TokenType::COMMA.')'
        .'|(?:'.'\{'.')(*MARK:'.TokenType::OPEN_CURLY.')'
        .'|(?:'.'\}'.')(*MARK:'.TokenType::CLOSE_CURLY.')'
        .'|(?:'.'\('.')(*MARK:'.TokenType::OPEN_PAREN.')'
        .'|(?:'.'\)'.')(*MARK:'.TokenType::CLOSE_PAREN.')'
        .'|(?:'.'\['.')(*MARK:'.TokenType::OPEN_SQUARE.')'
        .'|(?:'.'\]'.')(*MARK:'.TokenType::CLOSE_SQUARE.')'
        .'|(?:'.'\#(?:[-a-zA-Z0-9_]++|['.self::WIDE.']|'.self::ESCAPE.')++'.')(*MARK:'.TokenType::HASH.')'
        .'|(?:'.'@'.self::IDENT.')(*MARK:'.TokenType::AT_KEYWORD.')'
        .'|(?:'.'"'.self::DOUBLE.'(?:"|\z)|\''.self::SINGLE.'(?:\'|\z)'.')(*MARK:'.TokenType::STRING.')'
        .'|(?:'.'"'.self::DOUBLE.'|\''.self::SINGLE.')(*MARK:'.TokenType::BAD_STRING.')'
        .'|(?:'.'<!--'.')(*MARK:'.TokenType::CDO.')'
        .'|(?:'.'.'.')(*MARK:'.TokenType::DELIM.')'
        .')/su';

    /** The source as section 3.3 wants it: line feeds only, no NUL, valid UTF-8. Line numbers stay as they were. */
    public static function preprocess(string $source): string
    {
        if (str_starts_with($source, "\xEF\xBB\xBF")) {
            $source = substr($source, 3);
        }
        if (! mb_check_encoding($source, 'UTF-8')) {
            $source = mb_scrub($source, 'UTF-8');
        }

        return strtr($source, ["\r\n" => "\n", "\r" => "\n", "\f" => "\n", "\0" => "\u{FFFD}"]);
    }

    public static function tokenize(string $source): Tokens
    {
        $source = self::preprocess($source);
        $found = [];
        if (preg_match_all(self::PATTERN, $source, $found) === false) {
            throw new \RuntimeException('The tokenizer ran out of its own bounds: '.preg_last_error_msg());
        }
        $types = $starts = [];
        $at = 0;
        foreach ($found[0] as $index => $text) {
            $types[] = (int) $found['MARK'][$index];
            $starts[] = $at;
            $at += strlen($text);
        }
        $starts[] = $at;

        return new Tokens($source, $types, $starts);
    }
}
