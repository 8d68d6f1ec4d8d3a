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
    /** A backslash with what it escapes; a character is all the bytes of its UTF-8 form. */
    private const ESCAPE = '\\\\(?:[0-9a-fA-F]{1,6}+[ \t\n]?+|[^\n0-9a-fA-F][\x80-\xBF]*+|\z)';

    /** Section 4.2, the characters beyond ASCII that are no ident code points, as bytes: fewer than those that are. */
    private const NO_IDENT = '\xC2(?!\xB7)|\xC3[\x97\xB7]|\xCD\xBE|\xE2\x80(?![\x8C\x8D\xBF])|\xE2\x81(?![\x80\xB0-\xBF])|\xE2\x86[\x90-\xBF]|\xE2[\x87-\xAF]'
        .'|\xE2\xBF[\xB0-\xBF]|\xE3\x80\x80|\xEE|\xEF[\x80-\xA3]|\xEF\xB7[\x90-\xAF]|\xEF\xBF[\xBE\xBF]';

    private const WIDE = '(?!'.self::NO_IDENT.')[\xC2-\xF4][\x80-\xBF]++';

    private const NAME = '(?:[-a-zA-Z0-9_]++|'.self::ESCAPE.'|'.self::WIDE.')*+';

    private const IDENT = '(?:-?+[a-zA-Z_]|--|-?+(?:'.self::ESCAPE.'|'.self::WIDE.'))'.self::NAME;

    private const NUMBER = '(?:\d++(?:\.\d++)?+|[+-]?+(?:\d++(?:\.\d++)?+|\.\d++))(?:[eE][+-]?+\d++)?+';

    /** `url(` in either case, each letter plain or escaped, not followed by a quote. */
    private const URL_OPEN = '(?:[uU]|\\\\(?:0{0,4}[57]5[ \t\n]?+|[uU]))(?:[rR]|\\\\(?:0{0,4}[57]2[ \t\n]?+|[rR]))(?:[lL]|\\\\(?:0{0,4}[46][cC][ \t\n]?+|[lL]))\([ \t\n]*+(?!["\'])';

    private const DOUBLE = '(?:[^"\\\\\n]++|'.self::ESCAPE.'|\\\\\n)*+';

    private const SINGLE = '(?:[^\'\\\\\n]++|'.self::ESCAPE.'|\\\\\n)*+';

    /** Over bytes, the commonest first. A constant, so that the regular expression's cache finds it by a hash that is known already. */
    private const ANY = '[ \t\n]++(*MARK:'.TokenType::WHITESPACE.')'
        .'|:(*MARK:'.TokenType::COLON.')'
        .'|;(*MARK:'.TokenType::SEMICOLON.')'
        .'|,(*MARK:'.TokenType::COMMA.')'
        .'|\{(*MARK:'.TokenType::OPEN_CURLY.')'
        .'|\}(*MARK:'.TokenType::CLOSE_CURLY.')'
        .'|(?=[uU\\\\])'.self::URL_OPEN.'(?:(?:[^"\'()\\\\ \t\n\x00-\x08\x0b\x0e-\x1f\x7f]|'.self::ESCAPE.')*+[ \t\n]*+(?:\)|\z)(*MARK:'.TokenType::URL.')'
            .'|(?:\\\\.|[^)\\\\])*+(?:\)|\\\\?\z)(*MARK:'.TokenType::BAD_URL.'))'
        .'|-->(*MARK:'.TokenType::CDC.')'
        .'|'.self::IDENT.'(?:\((*MARK:'.TokenType::FUNCTION.')|(*MARK:'.TokenType::IDENT.'))'
        .'|(?=[0-9.+-])'.self::NUMBER.'(?:'.self::IDENT.'(*MARK:'.TokenType::DIMENSION.')|%(*MARK:'.TokenType::PERCENTAGE.')|(*MARK:'.TokenType::NUMBER.'))'
        .'|\/\*[^*]*+(?:\*(?!\/)[^*]*+)*+(?:\*\/|\z)(*MARK:'.TokenType::COMMENT.')'
        .'|\((*MARK:'.TokenType::OPEN_PAREN.')'
        .'|\)(*MARK:'.TokenType::CLOSE_PAREN.')'
        .'|\[(*MARK:'.TokenType::OPEN_SQUARE.')'
        .'|\](*MARK:'.TokenType::CLOSE_SQUARE.')'
        .'|\#(?:[-a-zA-Z0-9_]++|'.self::ESCAPE.'|'.self::WIDE.')++(*MARK:'.TokenType::HASH.')'
        .'|@'.self::IDENT.'(*MARK:'.TokenType::AT_KEYWORD.')'
        .'|"'.self::DOUBLE.'(?:(?:"|\z)(*MARK:'.TokenType::STRING.')|(*MARK:'.TokenType::BAD_STRING.'))'
        .'|\''.self::SINGLE.'(?:(?:\'|\z)(*MARK:'.TokenType::STRING.')|(*MARK:'.TokenType::BAD_STRING.'))'
        .'|<!--(*MARK:'.TokenType::CDO.')'
        .'|(?:[\xC2-\xF4][\x80-\xBF]++|.)(*MARK:'.TokenType::DELIM.')';

    private const PATTERN = '/\G(?:'.self::ANY.')/s';

    private const OUTLINE = '/\G(?:'.PlainBlock::PATTERN.'(*MARK:'.TokenType::PLAIN_BLOCK.')|'.PlainBlock::PRELUDE.PlainBlock::PATTERN.'(*MARK:'.TokenType::PLAIN_RULE.')|'.self::ANY.')/s';

    /** The source as section 3.3 wants it: line feeds only, no NUL, valid UTF-8. Line numbers stay as they were. */
    public static function preprocess(string $source): string
    {
        if (str_starts_with($source, "\xEF\xBB\xBF")) {
            $source = substr($source, 3);
        }
        if (! mb_check_encoding($source, 'UTF-8')) {
            $source = mb_scrub($source, 'UTF-8');
        }

        return strpbrk($source, "\r\f\0") === false ? $source : strtr($source, ["\r\n" => "\n", "\r" => "\n", "\f" => "\n", "\0" => "\u{FFFD}"]);
    }

    public static function tokenize(string $source): Tokens
    {
        return self::by(self::PATTERN, $source) ?? throw new \RuntimeException('The tokenizer ran out of its own bounds: '.preg_last_error_msg());
    }

    /** The same, but that a block of plain declarations is one token, with its prelude where that is plain: what is in most of them is never asked for. */
    public static function outline(string $source): Tokens
    {
        // A block longer than one match may be is read token by token, and so is all else then.
        return self::by(self::OUTLINE, $source) ?? self::tokenize($source);
    }

    /** Null where the pattern ran out of PCRE's bounds. */
    private static function by(string $pattern, string $source): ?Tokens
    {
        $source = self::preprocess($source);
        $found = [];
        if (preg_match_all($pattern, $source, $found) === false) {
            return null;
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
