<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/**
 * A block of nothing but plain declarations: no nested block, comment, escape, address or at-rule, and every bracket and quote
 * closed. Most blocks of most themes are such. The tokenizer takes one as a whole, and it is read when it is asked for; it
 * gives what reading it token by token gives.
 */
final readonly class PlainBlock
{
    private const TEXT = '(?:[^;{}"\'()!\\\\@\[\]\/]|\/(?!\*)|"[^"\n\\\\]*+"|\'[^\'\n\\\\]*+\')';

    private const OPEN = '(?<![uU][rR][lL])\(';

    /** A value with brackets three deep. */
    private const VALUE = '(?:'.self::TEXT.'|'.self::OPEN.'(?:'.self::TEXT.'|'.self::OPEN.'(?:'.self::TEXT.'|'.self::OPEN.self::TEXT.'*+\))*+\))*+\))++';

    private const IMPORTANT = '![ \t\n]*+(?i:important)[ \t\n]*+';

    /** From the name up to the semicolon or the block's end: name, colon, value, importance. */
    private const DECLARATION = '(-?[a-zA-Z_][-\w]*+|--[-\w]++)([ \t\n]*+:[ \t\n]*+)('.self::VALUE.')('.self::IMPORTANT.')?+(?=[;}])';

    /** The whole block with its braces. */
    public const PATTERN = '\{(?:[ \t\n;]*+(?:-?[a-zA-Z_][-\w]*+|--[-\w]++)[ \t\n]*+:[ \t\n]*+'.self::VALUE.'(?:'.self::IMPORTANT.')?+(?=[;}]))*+[ \t\n;]*+\}';

    /**
     * White space and a prelude of tags, classes, ids and pseudo-classes, where a rule may begin. A declaration whose value is a
     * block, or a custom property, is none.
     */
    public const PRELUDE = '(?<=[{};\/]|\A)[ \t\n]*+(?!--)(?:[-\w.\#>+~,*]|[ \t\n]|::?[a-zA-Z])++(?=\{)';

    /** @param  int  $start  of the opening brace, $end after the closing one, in bytes */
    public function __construct(private string $source, private int $start, private int $end)
    {
    }

    public function isEmpty(): bool
    {
        return strspn($this->source, " \t\n;", $this->start + 1) === $this->end - $this->start - 2;
    }

    /** @return list<Declaration> */
    public function declarations(): array
    {
        preg_match_all('/'.self::DECLARATION.'/', $this->text(), $matches, PREG_SET_ORDER | PREG_OFFSET_CAPTURE);
        $declarations = [];
        foreach ($matches as $m) {
            [$all, $at] = $m[0];
            $start = $this->start + $at;
            [$name, $colon, $value] = [$m[1][0], $m[2][0], $m[3][0]];
            $declarations[] = new Declaration(
                str_starts_with($name, '--') ? $name : strtolower($name),
                rtrim($value, " \t\n"),
                ($m[4][0] ?? '') !== '',
                $start,
                $start + strlen($all),
                $start + strlen($name) + strlen($colon),
            );
        }

        return $declarations;
    }

    private function text(): string
    {
        return substr($this->source, $this->start, $this->end - $this->start);
    }
}
