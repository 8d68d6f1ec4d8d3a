<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Syntax\AtRule;
use Insignum\Syntax\Comment;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Node;
use Insignum\Syntax\Parser;
use Insignum\Syntax\Printer;
use Insignum\Syntax\Raw;
use Insignum\Syntax\Rule;
use Insignum\Syntax\Stylesheet;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ParserTest extends TestCase
{
    /** @return iterable<string, array{string, string}> */
    public static function sheets(): iterable
    {
        yield 'a rule' => ['.quote{color:red;border:1px solid}', 'rule(.quote)[color=red, border=1px solid]'];
        yield 'importance is told from the value' => ['a{color:red!important; width:1px ! IMPORTANT}', 'rule(a)[color=red!, width=1px!]'];
        yield 'nesting' => ['.band{color:red;.quote{color:blue}&:hover{top:0}}', 'rule(.band)[color=red, rule(.quote)[color=blue], rule(&:hover)[top=0]]'];
        yield 'a selector that looks like a declaration' => ['.band{a:hover{color:red}}', 'rule(.band)[rule(a:hover)[color=red]]'];
        yield 'custom properties keep their case and may hold blocks' => ['a{--Box:{a:b};--e:}', 'rule(a)[--Box={a:b}, --e=]'];
        yield 'a broken declaration is kept and skipped' => ['a{color red;top:0}', 'rule(a)[raw(color red;), top=0]'];
        yield 'an unclosed rule ends with the file' => ['a{color:red', 'rule(a)[color=red]'];
        yield 'an unclosed string spoils its declaration only' => ["a{content:\"x\n;top:0}", "rule(a)[raw(content:\"x\n;), top=0]"];
        yield 'at-rules with and without a block' => ['@import "x";@media (min-width:1px){a{top:0}}@font-face{src:url(x)}', 'at(import|"x"), at(media|(min-width:1px))[rule(a)[top=0]], at(font-face|)[src=url(x)]'];
        yield 'comments stay where they stood' => ['/* why */a{/* in */top:0}', 'comment( why ), rule(a)[comment( in ), top=0]'];
        yield 'a stray brace belongs to the next selector' => ['}a{top:0}b{top:1px}', 'rule(}a)[top=0], rule(b)[top=1px]'];
        yield 'semicolons inside brackets' => ['a{background:url(data:x;y);grid-area:[a;b]}', 'rule(a)[background=url(data:x;y), grid-area=[a;b]]'];
        yield 'html comment marks' => ['<!-- a{top:0} -->', 'rule(a)[top=0]'];
    }

    #[DataProvider('sheets')]
    public function test_reads_as_the_standard_says(string $css, string $expected): void
    {
        $nodes = Parser::stylesheet($css)->children;

        self::assertSame($expected, self::canonical($nodes));
        self::assertSame($expected, self::canonical(Parser::stylesheet(Printer::print($nodes))->children), 'print, then parse, is the same');
    }

    public function test_what_is_wrong_is_told_with_its_place(): void
    {
        $sheet = Parser::stylesheet("a {\n  top: 0;\n  colour red;\n}\n.night {\n  top: 0");
        $told = array_map(static fn (Finding $f): string => $f->code.'@'.$sheet->position($f->start)->line.':'.$sheet->position($f->start)->column, $sheet->findings);

        self::assertSame(['not-css@3:3', 'unclosed-block@5:1'], $told);
    }

    public function test_any_mutation_of_a_sheet_is_read_in_bounds_and_loses_no_comment(): void
    {
        mt_srand(20261125);
        $css = (string) file_get_contents(dirname(__DIR__, 2).'/demo/theme/css/orrery.css');
        $alphabet = str_split("{}()[];:,.#@!\"'\\/*-+ \nax0%&<>");
        for ($round = 0; $round < 600; $round++) {
            $from = mt_rand(0, strlen($css) - 900);
            $text = substr($css, $from, 800);
            for ($i = mt_rand(1, 12); $i > 0; $i--) {
                $at = mt_rand(0, strlen($text) - 1);
                $text = substr_replace($text, $alphabet[mt_rand(0, count($alphabet) - 1)], $at, mt_rand(0, 2));
            }
            $once = Parser::stylesheet($text)->children;
            $printed = Printer::print($once);
            self::assertSame(self::canonical($once), self::canonical(Parser::stylesheet($printed)->children), $text);
            preg_match_all('~/\*.*?\*/~s', $text, $comments);
            foreach ($comments[0] as $comment) {
                self::assertStringContainsString($comment, $printed);
            }
        }
    }

    public function test_plain_blocks_taken_as_a_whole_give_what_the_long_way_gives(): void
    {
        mt_srand(11);
        $parts = ['color', ':', ' ', ';', '!important', ' ! important', 'red', '1px', '(', ')', '"a;b"', "'c'", '--x', 'calc(1px + (2% * 3))', '-w', ',', '/', '#fff', '!', 'Top', "\n", 'é', '&', '.a', '<!--', '10', '::', 'url(', 'url(x;y)', 'URL("a")', '"/* {"', '{', '}', '[', ']', '\\', '@x', '/*', '*/', '--y:{a:b}', '((', '))', '"', "'"];
        for ($round = 0; $round < 8000; $round++) {
            $block = 'a:b;';
            for ($i = mt_rand(1, 9); $i > 0; $i--) {
                $block .= $parts[mt_rand(0, count($parts) - 1)];
            }
            // A comment sends the block the long way; it stands before the first declaration, so that all else is the same.
            [$quick, $long] = [Parser::stylesheet("p{{$block}} q{}"), Parser::stylesheet("p{/**/{$block}} q{}")];
            $told = static fn (Stylesheet $s): array => [preg_replace('/comment\(\)(?:, )?/', '', self::canonical($s->children)), array_map(static fn (Finding $f): string => $f->code, $s->findings)];
            self::assertSame($told($long), $told($quick), $block);
            self::assertSame(self::places($long), self::places($quick), $block);
        }
    }

    /** @return list<array{string, string}> what stands where a declaration is said to stand, and where its value is */
    private static function places(Stylesheet $sheet): array
    {
        $rule = $sheet->children[0] ?? null;
        $declarations = array_filter($rule instanceof Rule ? $rule->children() : [], static fn (Node $n): bool => $n instanceof Declaration);

        return array_map(static fn (Declaration $d): array => [substr($sheet->source, $d->start, $d->end - $d->start), substr($sheet->source, $d->valueStart, strlen($d->value))], array_values($declarations));
    }

    public function test_a_block_longer_than_one_match_is_read_all_the_same(): void
    {
        $rule = Parser::stylesheet('a{'.str_repeat('top:0;', 200_000).'}')->children[0] ?? null;

        self::assertInstanceOf(Rule::class, $rule);
        self::assertCount(200_000, $rule->children());
    }

    public function test_deep_nesting_ends(): void
    {
        $sheet = Parser::stylesheet(str_repeat('a{', 5000).'top:0');

        self::assertContains('too-deep', array_map(static fn (Finding $f): string => $f->code, $sheet->findings));
    }

    /** @param  list<Node>  $nodes */
    private static function canonical(array $nodes): string
    {
        $block = static fn (?array $children): string => $children === null ? '' : '['.self::canonical($children).']';

        return implode(', ', array_map(static fn (Node $node): string => match (true) {
            $node instanceof Declaration => "{$node->name}={$node->value}".($node->important ? '!' : ''),
            $node instanceof Rule => "rule({$node->prelude})".$block($node->children()),
            $node instanceof AtRule => "at({$node->name}|{$node->prelude})".$block($node->children),
            $node instanceof Comment => "comment({$node->text})",
            $node instanceof Raw => "raw({$node->text})",
            default => 'unknown',
        }, $nodes));
    }
}
