<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Text that ended with the file, with what it left open closed: CSS Syntax 3 closes all of it at the end (section 2.2). */
final class Unclosed
{
    public static function complete(string $text): string
    {
        $tokens = Tokenizer::tokenize($text);
        $count = $tokens->count();
        $last = $count === 0 ? '' : $tokens->text($count - 1);
        $text = $tokens->source.match ($tokens->types[$count - 1] ?? 0) {
            TokenType::STRING => strlen($last) > 1 && str_ends_with($last, $last[0]) && self::isClosed($last) ? '' : (str_ends_with($last, '\\') ? "\n" : '').$last[0],
            TokenType::COMMENT => strlen($last) >= 4 && str_ends_with($last, '*/') ? '' : '*/',
            TokenType::URL, TokenType::BAD_URL => str_ends_with($last, ')') ? '' : ')',
            default => '',
        };
        $closers = [TokenType::CLOSE_PAREN => ')', TokenType::CLOSE_SQUARE => ']', TokenType::CLOSE_CURLY => '}'];
        $open = [];
        for ($i = 0; $i < $count; $i++) {
            $type = $tokens->types[$i];
            if (isset(TokenType::CLOSER[$type])) {
                $open[] = TokenType::CLOSER[$type];
            } elseif ($open !== [] && $type === end($open)) {
                array_pop($open);
            }
        }

        return $text.implode('', array_map(static fn (int $type): string => $closers[$type], array_reverse($open)));
    }

    /** Whether the last quote of a string token isn't itself escaped. */
    private static function isClosed(string $string): bool
    {
        preg_match('/\\\\*(?=.\z)/s', substr($string, 1), $slashes);

        return strlen($slashes[0] ?? '') % 2 === 0;
    }
}
