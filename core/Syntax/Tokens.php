<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * The tokens of one source, as integers over the untouched text.
 *
 * `types[i]` is a TokenType constant; token i spans bytes `starts[i]` up to `starts[i + 1]`, so `starts` has one entry
 * more than `types`, the length of the source.
 */
final readonly class Tokens
{
    /**
     * @param  list<int>  $types
     * @param  list<int>  $starts
     */
    public function __construct(public string $source, public array $types, public array $starts)
    {
    }

    public function count(): int
    {
        return count($this->types);
    }

    /** The verbatim text of one token. */
    public function text(int $index): string
    {
        return substr($this->source, $this->starts[$index], $this->starts[$index + 1] - $this->starts[$index]);
    }

    /** The verbatim text of the tokens from $from up to, not including, $to. */
    public function slice(int $from, int $to): string
    {
        return substr($this->source, $this->starts[$from], $this->starts[$to] - $this->starts[$from]);
    }

    /** The index after the component value that starts at $index: one token, or a block with all that is in it (5.4.7). */
    public function after(int $index, int $end): int
    {
        $closer = TokenType::CLOSER[$this->types[$index]] ?? null;
        if ($closer === null) {
            return $index + 1;
        }
        $expected = [$closer];
        while (++$index < $end) {
            $type = $this->types[$index];
            if ($type === end($expected)) {
                array_pop($expected);
                if ($expected === []) {
                    return $index + 1;
                }
            } elseif (isset(TokenType::CLOSER[$type])) {
                $expected[] = TokenType::CLOSER[$type];
            }
        }

        return $end;
    }

    /** The index of the first token from $index on that is neither white space nor a comment. */
    public function skipSpace(int $index, int $end): int
    {
        while ($index < $end && $this->types[$index] <= TokenType::WHITESPACE) {
            $index++;
        }

        return $index;
    }
}
