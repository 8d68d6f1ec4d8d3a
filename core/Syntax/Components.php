<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** CSS Syntax 3, 5.4.7: a list of component values from text. Comments are dropped, white space is kept as tokens. */
final class Components
{
    /** Functions and blocks nested deeper than this make the value unreadable. */
    private const DEEPEST = 60;

    /** @return list<Component> white space included */
    public static function parse(string $value): array
    {
        $tokens = Tokenizer::tokenize($value);

        return self::range($tokens, 0, $tokens->count(), 0);
    }

    /**
     * Without white space: what most value grammars want.
     *
     * @param  list<Component>  $components
     * @return list<Component>
     */
    public static function dense(array $components): array
    {
        return array_values(array_filter($components, static fn (Component $c): bool => $c->type !== TokenType::WHITESPACE));
    }

    /**
     * Split at top-level commas; an empty part stays an empty list.
     *
     * @param  list<Component>  $components
     * @return list<list<Component>>
     */
    public static function split(array $components, int $type = TokenType::COMMA, string $delim = ''): array
    {
        $parts = [[]];
        foreach ($components as $component) {
            if ($component->type === $type && ($delim === '' || $component->text === $delim)) {
                $parts[] = [];
            } else {
                $parts[array_key_last($parts)][] = $component;
            }
        }

        return $parts;
    }

    /** @return list<Component> */
    private static function range(Tokens $tokens, int $from, int $to, int $depth): array
    {
        $out = [];
        for ($i = $from; $i < $to; $i = $next) {
            $next = $tokens->after($i, $to);
            $type = $tokens->types[$i];
            if ($type === TokenType::COMMENT) {
                continue;
            }
            $raw = $tokens->text($i);
            if (! isset(TokenType::CLOSER[$type])) {
                $out[] = self::leaf($type, $raw);

                continue;
            }
            $closed = $next > $i + 1 && $tokens->types[$next - 1] === TokenType::CLOSER[$type];
            $children = $depth < self::DEEPEST ? self::range($tokens, $i + 1, $closed ? $next - 1 : $next, $depth + 1) : [];
            $name = $type === TokenType::FUNCTION ? Ident::unescape(substr($raw, 0, -1)) : $raw;
            $out[] = new Component($type, $name, 0.0, '', $children, $tokens->slice($i, $next).($closed ? '' : ')'));
        }

        return $out;
    }

    private static function leaf(int $type, string $raw): Component
    {
        switch ($type) {
            case TokenType::NUMBER:
                return new Component($type, $raw, (float) $raw, '', [], $raw);
            case TokenType::PERCENTAGE:
                return new Component($type, $raw, (float) $raw, '%', [], $raw);
            case TokenType::DIMENSION:
                $unit = (string) preg_replace('/\A[+-]?(?:\d+(?:\.\d+)?|\.\d+)(?:[eE][+-]?\d+)?/', '', $raw);

                return new Component($type, $raw, (float) substr($raw, 0, strlen($raw) - strlen($unit)), strtolower(Ident::unescape($unit)), [], $raw);
            case TokenType::STRING:
                return new Component($type, Ident::unquote($raw), 0.0, '', [], $raw);
            case TokenType::URL:
                return new Component($type, Ident::unescape(trim(substr($raw, 4, str_ends_with($raw, ')') ? -1 : null))), 0.0, '', [], $raw);
            case TokenType::HASH:
            case TokenType::AT_KEYWORD:
                return new Component($type, Ident::unescape(substr($raw, 1)), 0.0, '', [], $raw);
            case TokenType::IDENT:
                return new Component($type, Ident::unescape($raw), 0.0, '', [], $raw);
            default:
                return new Component($type, $raw, 0.0, '', [], $raw);
        }
    }
}
