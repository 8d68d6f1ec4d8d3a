<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * A component value (CSS Syntax 3, 5.3.9): a token, or a function or block with what is in it.
 *
 * `text` is the value of the token: an ident or function name unescaped, a string without quotes, a url without url();
 * for a block its opening bracket. `number` and `unit` are set for numbers, percentages and dimensions.
 */
final readonly class Component
{
    /** @param  list<Component>  $children */
    public function __construct(
        public int $type,
        public string $text,
        public float $number = 0.0,
        public string $unit = '',
        public array $children = [],
        public string $raw = '',
    ) {
    }

    /** Whether this is an ident with the given name, or any ident where none is given. ASCII case-insensitive. */
    public function isIdent(?string $name = null): bool
    {
        return $this->type === TokenType::IDENT && ($name === null || strcasecmp($this->text, $name) === 0);
    }

    public function isFunction(?string $name = null): bool
    {
        return $this->type === TokenType::FUNCTION && ($name === null || strcasecmp($this->text, $name) === 0);
    }

    public function isDelim(string $char): bool
    {
        return $this->type === TokenType::DELIM && $this->text === $char;
    }

    /** The name in lower case: how keywords and functions are compared. */
    public function keyword(): string
    {
        return strtolower($this->text);
    }
}
