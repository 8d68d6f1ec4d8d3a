<?php

declare(strict_types=1);

namespace Insignum\Sheet;

use Insignum\Syntax\Tokenizer;
use Insignum\Syntax\TokenType;

/** Selector lists as text, for edits that must keep the author's own writing. */
final class SelectorText
{
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
}
