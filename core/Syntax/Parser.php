<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * CSS Syntax 3, section 5, with nesting. Never throws: what the grammar refuses becomes a Raw node and a finding, and
 * parsing goes on where the standard says.
 */
final class Parser
{
    /** Blocks nested deeper than this are kept verbatim and reported. */
    private const DEEPEST = 100;

    private int $at = 0;

    private int $end;

    private function __construct(private readonly Tokens $tokens, private readonly Findings $findings)
    {
        $this->end = $tokens->count();
    }

    /** 5.3.3, parse a stylesheet. */
    public static function stylesheet(string $source): Stylesheet
    {
        return self::read($source, 0);
    }

    /** 5.3.6, parse a block's contents: what a style attribute or the inside of a rule holds. */
    public static function block(string $source): Stylesheet
    {
        return self::read($source, 1);
    }

    private static function read(string $source, int $depth): Stylesheet
    {
        try {
            return self::readTokens(Tokenizer::outline($source), $depth);
        } catch (BrokenOutline) {
            return self::readTokens(Tokenizer::tokenize($source), $depth);
        }
    }

    /** @throws BrokenOutline */
    private static function readTokens(Tokens $tokens, int $depth): Stylesheet
    {
        $findings = new Findings;
        $parser = new self($tokens, $findings);

        return new Stylesheet($tokens->source, $parser->contents($depth), $findings->all());
    }

    /**
     * Rules at depth 0, declarations and rules below it; stops before the } that closes the block.
     *
     * @return list<Node>
     */
    private function contents(int $depth): array
    {
        $nodes = [];
        $types = $this->tokens->types;
        while ($this->at < $this->end) {
            $type = $types[$this->at];
            if ($type === TokenType::WHITESPACE || ($type === TokenType::SEMICOLON && $depth > 0) || ($depth === 0 && ($type === TokenType::CDO || $type === TokenType::CDC))) {
                $this->at++;

                continue;
            }
            if ($type === TokenType::CLOSE_CURLY && $depth > 0 && $this->closes) {
                break;
            }
            $nodes[] = match ($type) {
                TokenType::PLAIN_RULE => $this->plainRule(),
                TokenType::COMMENT => $this->comment(),
                TokenType::AT_KEYWORD => $this->atRule($depth),
                default => ($depth > 0 ? $this->declaration() : null) ?? $this->rule($depth),
            };
        }

        return $nodes;
    }

    /** Whether a } ends the contents being read; not so for a bare block such as a style attribute. */
    private bool $closes = false;

    private function comment(): Comment
    {
        $text = $this->tokens->text($this->at);
        [$start, $end] = $this->span($this->at, ++$this->at);
        if (! str_ends_with($text, '*/') || strlen($text) < 4) {
            $this->findings->error('unclosed-comment', 'This comment is never closed: everything after it is inside it.', $start, $end, $text.'*/');

            return new Comment(substr($text, 2), $start, $end);
        }

        return new Comment(substr($text, 2, -2), $start, $end);
    }

    /** 5.5.2, consume an at-rule. */
    private function atRule(int $depth): AtRule
    {
        $first = $this->at;
        $name = strtolower(Ident::unescape(substr($this->tokens->text($first), 1)));
        $this->at++;
        $stop = $this->preludeEnd(true);
        $prelude = trim($this->text($first + 1, $stop));
        $this->at = $stop;
        $children = null;
        if ($this->at < $this->end && self::opens($this->tokens->types[$this->at])) {
            // A block of descriptors or of declarations reads the same as one of rules: 5.5.4 tries the declaration first.
            $block = $this->blockContents($depth, $first);
            $children = $block instanceof PlainBlock ? $block->declarations() : $block;
        } elseif ($this->at < $this->end && $this->tokens->types[$this->at] === TokenType::SEMICOLON) {
            $this->at++;
        }
        [$start, $end] = $this->span($first, $this->at);

        return new AtRule($name, $prelude, $children, $start, $end);
    }

    /** 5.5.3, consume a qualified rule; a Raw node where there is no block. */
    private function rule(int $depth): Rule|Raw
    {
        $first = $this->at;
        $stop = $this->preludeEnd($depth > 0);
        $this->at = $stop;
        if ($stop >= $this->end || ! self::opens($this->tokens->types[$stop])) {
            if ($stop < $this->end && $this->tokens->types[$stop] === TokenType::SEMICOLON) {
                $this->at++;
            }
            if ($this->at === $first) {
                $this->at++;
            }

            return $this->raw($first, $depth);
        }
        $prelude = trim($this->tokens->slice($first, $stop));
        $block = $this->blockContents($depth, $first);
        [$start, $end] = $this->span($first, $this->at);

        return new Rule($prelude, $block, $start, $end, $this->tokens, $first, $stop);
    }

    private function plainRule(): Rule
    {
        [$start, $end] = $this->span($this->at, ++$this->at);
        $start += strspn($this->tokens->source, " \t\n", $start);
        $open = strpos($this->tokens->source, '{', $start) ?: $end;

        return new Rule(rtrim(substr($this->tokens->source, $start, $open - $start), " \t\n"), new PlainBlock($this->tokens->source, $open, $end), $start, $end);
    }

    private function raw(int $first, int $depth): Raw
    {
        [$start, $end] = $this->span($first, $this->at);
        $text = trim($this->text($first, $this->at));
        $what = $depth > 0 ? 'a declaration (name, colon, value)' : 'a rule (a selector and a block)';
        $this->findings->error('not-css', "“{$this->short($text)}” is not $what; browsers skip it.", $start, $end);

        return new Raw($text, $start, $end);
    }

    private static function opens(int $type): bool
    {
        return $type === TokenType::OPEN_CURLY || $type === TokenType::PLAIN_BLOCK;
    }

    /** @return list<Node>|PlainBlock */
    private function blockContents(int $depth, int $first): array|PlainBlock
    {
        $open = $this->at;
        if ($this->tokens->types[$open] === TokenType::PLAIN_BLOCK) {
            [$start, $end] = $this->span($open, ++$this->at);

            return new PlainBlock($this->tokens->source, $start, $end);
        }
        if ($depth >= self::DEEPEST) {
            $this->at = $this->tokens->after($open, $this->end);
            [$start, $end] = $this->span($open, $this->at);
            $this->findings->error('too-deep', 'Blocks are nested deeper than '.self::DEEPEST.' here; the inside is kept but not read.', $start, $end);

            return [new Raw($this->text($open + 1, max($open + 1, $this->at < $this->end ? $this->at - 1 : $this->at)), $start, $end)];
        }
        $this->at++;
        $outer = $this->closes;
        $this->closes = true;
        $children = $this->contents($depth + 1);
        $this->closes = $outer;
        if ($this->at < $this->end) {
            $this->at++;
        } else {
            [$start] = $this->span($first, $first);
            $text = $this->short($this->tokens->slice($first, $open));
            $this->findings->error('unclosed-block', "The block of “{$text}” is never closed: a } is missing.", $start, $this->tokens->starts[$open] + 1);
        }

        return $children;
    }

    /** The index of the { that ends the prelude starting at the current token, or of a } or ; that cuts it short. */
    private function preludeEnd(bool $semicolonEnds): int
    {
        $types = $this->tokens->types;
        $index = $this->at;
        while ($index < $this->end) {
            $type = $types[$index];
            if ($type === TokenType::PLAIN_RULE) {
                throw new BrokenOutline;
            }
            if (self::opens($type) || ($type === TokenType::SEMICOLON && $semicolonEnds) || ($type === TokenType::CLOSE_CURLY && $this->closes)) {
                return $index;
            }
            $index = isset(TokenType::CLOSER[$type]) ? $this->tokens->after($index, $this->end) : $index + 1;
        }

        return $index;
    }

    /** 5.5.6, consume a declaration; null, and nothing consumed, where there is none. */
    private function declaration(): ?Declaration
    {
        $tokens = $this->tokens;
        $types = $tokens->types;
        $first = $this->at;
        if ($types[$first] !== TokenType::IDENT) {
            return null;
        }
        $colon = $tokens->skipSpace($first + 1, $this->end);
        if ($colon >= $this->end || $types[$colon] !== TokenType::COLON) {
            return null;
        }
        $name = Ident::unescape($tokens->text($first));
        $custom = str_starts_with($name, '--');
        $from = $index = $tokens->skipSpace($colon + 1, $this->end);
        $blocks = 0;
        $parts = 0;
        $bad = false;
        while ($index < $this->end) {
            $type = $types[$index];
            if ($type === TokenType::SEMICOLON || ($type === TokenType::CLOSE_CURLY && $this->closes)) {
                break;
            }
            if ($type === TokenType::PLAIN_RULE) {
                throw new BrokenOutline;
            }
            $parts += $type > TokenType::WHITESPACE ? 1 : 0;
            $blocks += self::opens($type) ? 1 : 0;
            if (isset(TokenType::CLOSER[$type])) {
                $index = $tokens->after($index, $this->end);
            } else {
                $bad = $bad || $type === TokenType::BAD_STRING || $type === TokenType::BAD_URL;
                $index++;
            }
        }
        if (! $custom && $blocks > 0 && $parts > 1) {
            return null;
        }
        if ($bad) {
            return null;
        }
        [$to, $important] = $this->withoutImportant($from, $index);
        if ($to <= $from && ! $custom) {
            return null;
        }
        $this->at = $index < $this->end && $tokens->types[$index] === TokenType::SEMICOLON ? $index + 1 : $index;

        return new Declaration(
            $custom ? $name : strtolower($name),
            $index >= $this->end ? Unclosed::complete($tokens->slice($from, max($from, $to))) : $tokens->slice($from, max($from, $to)),
            $important,
            $tokens->starts[$first],
            $tokens->starts[$index],
            $tokens->starts[$from],
        );
    }

    /** @return array{int, bool} the index after the value, and whether `!important` followed it */
    private function withoutImportant(int $from, int $to): array
    {
        $to = $this->withoutSpace($from, $to);
        if ($to - $from < 2 || $this->tokens->types[$to - 1] !== TokenType::IDENT || strcasecmp($this->tokens->text($to - 1), 'important') !== 0) {
            return [$to, false];
        }
        $bang = $this->withoutSpace($from, $to - 1);
        if ($bang > $from && $this->tokens->text($bang - 1) === '!') {
            return [$this->withoutSpace($from, $bang - 1), true];
        }

        return [$to, false];
    }

    /** The index after the last token before $to that is neither white space nor a comment. */
    private function withoutSpace(int $from, int $to): int
    {
        while ($to > $from && $this->tokens->types[$to - 1] <= TokenType::WHITESPACE) {
            $to--;
        }

        return $to;
    }

    /** The tokens from $from up to $to, verbatim; what the end of the file cut off is closed. */
    private function text(int $from, int $to): string
    {
        $text = $this->tokens->slice($from, $to);

        return $to >= $this->end ? Unclosed::complete($text) : $text;
    }

    /** @return array{int, int} byte offsets of the tokens from $from up to $to */
    private function span(int $from, int $to): array
    {
        return [$this->tokens->starts[$from], $this->tokens->starts[$to]];
    }

    private function short(string $text): string
    {
        return mb_strimwidth((string) preg_replace('/\s+/', ' ', trim($text)), 0, 60, '…');
    }
}
