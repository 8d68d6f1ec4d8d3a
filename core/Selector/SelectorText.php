<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Syntax\Tokenizer;
use Insignum\Syntax\TokenType;

/** Selectors as text, for edits that must keep the author's own writing. */
final class SelectorText
{
    private const COMBINATORS = ['>', '+', '~'];

    /** @return list<string> the parts between top-level commas, trimmed */
    public static function split(string $list): array
    {
        $tokens = Tokenizer::tokenize($list);
        $parts = [''];
        $count = $tokens->count();
        for ($i = 0; $i < $count; $i = $next) {
            $next = $tokens->after($i, $count);
            if ($tokens->types[$i] === TokenType::COMMA) {
                $parts[] = '';
            } else {
                $parts[array_key_last($parts)] .= $tokens->slice($i, $next);
            }
        }

        return array_map(trim(...), $parts);
    }

    /** A list with a pseudo-element at the end of each of its parts; without any where none is given. */
    public static function withPart(string $list, string $part): string
    {
        return implode(', ', array_map(static function (string $complex) use ($part): string {
            $steps = self::steps($complex);
            [$combinator, $simples] = array_pop($steps);
            $simples = array_values(array_filter($simples, static fn (string $simple): bool => ! str_starts_with($simple, '::') && ! in_array(ltrim($simple, ':'), $simple[0] === ':' ? SelectorParser::LEGACY_PSEUDO_ELEMENTS : [], true)));

            return self::join([...$steps, [$combinator, $simples === [] ? ['*'] : $simples]]).($part === '' ? '' : "::$part");
        }, self::split($list)));
    }

    /**
     * The simple selectors of a complex one, by compound.
     *
     * @return non-empty-list<array{string, list<string>}> the combinator before each compound (empty before the first) and its simple selectors as written
     */
    public static function steps(string $complex): array
    {
        $tokens = Tokenizer::tokenize(trim($complex));
        $count = $tokens->count();
        $steps = [];
        $simples = [];
        [$before, $combinator] = ['', null];
        $isOpen = false;
        for ($i = 0; $i < $count; $i = $next) {
            $next = $tokens->after($i, $count);
            $type = $tokens->types[$i];
            $text = $tokens->slice($i, $next);
            if ($type === TokenType::WHITESPACE || ($type === TokenType::DELIM && in_array($text, self::COMBINATORS, true))) {
                $combinator = $type === TokenType::WHITESPACE ? $combinator ?? ' ' : $text;
                $isOpen = false;

                continue;
            }
            if ($combinator !== null) {
                $steps[] = [$before, $simples];
                [$before, $combinator, $simples] = [$combinator, null, []];
            }
            // A dot or a colon begins a simple selector that the next token ends.
            $simples[] = $isOpen ? array_pop($simples).$text : $text;
            $isOpen = $type === TokenType::COLON || ($type === TokenType::DELIM && $text === '.');
        }
        $steps[] = [$before, $simples];

        return $steps;
    }

    /** @param  array<array{string, list<string>}>  $steps  the combinator before the first is left out */
    public static function join(array $steps): string
    {
        $text = '';
        foreach ($steps as $i => [$combinator, $simples]) {
            $text .= ($i === 0 ? '' : ($combinator === ' ' ? ' ' : " $combinator ")).($simples === [] ? '*' : implode('', $simples));
        }

        return $text;
    }
}
