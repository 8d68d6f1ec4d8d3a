<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Syntax\Tokenizer;
use Insignum\Syntax\TokenType;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The public suite of tokenizer tests, whole. */
final class TokenizerTest extends TestCase
{
    private const NAMES = [
        'comment' => TokenType::COMMENT, 'whitespace-token' => TokenType::WHITESPACE, 'ident-token' => TokenType::IDENT, 'function-token' => TokenType::FUNCTION,
        'at-keyword-token' => TokenType::AT_KEYWORD, 'hash-token' => TokenType::HASH, 'string-token' => TokenType::STRING, 'bad-string-token' => TokenType::BAD_STRING,
        'url-token' => TokenType::URL, 'bad-url-token' => TokenType::BAD_URL, 'number-token' => TokenType::NUMBER, 'percentage-token' => TokenType::PERCENTAGE,
        'dimension-token' => TokenType::DIMENSION, 'CDO-token' => TokenType::CDO, 'CDC-token' => TokenType::CDC, 'colon-token' => TokenType::COLON,
        'semicolon-token' => TokenType::SEMICOLON, 'comma-token' => TokenType::COMMA, '[-token' => TokenType::OPEN_SQUARE, ']-token' => TokenType::CLOSE_SQUARE,
        '(-token' => TokenType::OPEN_PAREN, ')-token' => TokenType::CLOSE_PAREN, '{-token' => TokenType::OPEN_CURLY, '}-token' => TokenType::CLOSE_CURLY, 'delim-token' => TokenType::DELIM,
    ];

    /** @return iterable<string, array{string, list<array{type: string, raw: string}>}> */
    public static function corpus(): iterable
    {
        $script = "import { testCorpus } from '@rmenke/css-tokenizer-tests'; console.log(JSON.stringify(testCorpus));";
        $json = shell_exec('cd '.escapeshellarg(dirname(__DIR__, 2)).' && node --input-type=module -e '.escapeshellarg($script).' 2>/dev/null');
        foreach (json_decode((string) $json, true, flags: JSON_THROW_ON_ERROR) as $name => $case) {
            yield $name => [$case['css'], $case['tokens']];
        }
    }

    /** @param  list<array{type: string, raw: string}>  $expected */
    #[DataProvider('corpus')]
    public function test_the_public_suite(string $css, array $expected): void
    {
        $tokens = Tokenizer::tokenize($css);
        $actual = array_map(static fn (int $i): array => [$tokens->types[$i], $tokens->text($i)], array_keys($tokens->types));

        self::assertSame(array_map(static fn (array $t): array => [self::NAMES[$t['type']], Tokenizer::preprocess($t['raw'])], $expected), $actual);
        self::assertSame(Tokenizer::preprocess($css), implode('', array_column($actual, 1)), 'no character is lost');
    }
}
