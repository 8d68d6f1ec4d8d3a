<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Token kinds of CSS Syntax 3, section 4, as integers so that a sheet's tokens fit in packed lists. */
final class TokenType
{
    public const COMMENT = 1;

    public const WHITESPACE = 2;

    public const IDENT = 3;

    public const FUNCTION = 4;

    public const AT_KEYWORD = 5;

    public const HASH = 6;

    public const STRING = 7;

    public const BAD_STRING = 8;

    public const URL = 9;

    public const BAD_URL = 10;

    public const NUMBER = 11;

    public const PERCENTAGE = 12;

    public const DIMENSION = 13;

    public const CDO = 14;

    public const CDC = 15;

    public const COLON = 16;

    public const SEMICOLON = 17;

    public const COMMA = 18;

    public const OPEN_SQUARE = 19;

    public const CLOSE_SQUARE = 20;

    public const OPEN_PAREN = 21;

    public const CLOSE_PAREN = 22;

    public const OPEN_CURLY = 23;

    public const CLOSE_CURLY = 24;

    public const DELIM = 25;

    /** A block of plain declarations with its braces, where a sheet is read in outline: of ours, and not of the standard. */
    public const PLAIN_BLOCK = 26;

    /** The same with the white space and the plain prelude before it. */
    public const PLAIN_RULE = 27;

    /** The token that ends a block opened by the key. */
    public const CLOSER = [
        self::FUNCTION => self::CLOSE_PAREN,
        self::OPEN_PAREN => self::CLOSE_PAREN,
        self::OPEN_SQUARE => self::CLOSE_SQUARE,
        self::OPEN_CURLY => self::CLOSE_CURLY,
    ];
}
