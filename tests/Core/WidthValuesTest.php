<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Effect\Account;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetReader;
use Insignum\Sheet\SheetWriter;
use Insignum\Sheet\WidthRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class WidthValuesTest extends TestCase
{
    private static function line(string $name, string $value, ?int $from = null, ?int $to = null, bool $enabled = true): OverrideDeclaration
    {
        return new OverrideDeclaration($name, $value, false, $enabled, $from === null && $to === null ? null : new WidthRange($from, $to));
    }

    /** @return iterable<string, array{list<OverrideDeclaration>, string}> */
    public static function written(): iterable
    {
        yield 'a value of its own at a range follows the one for all' => [
            [self::line('padding', '1em', null, 640), self::line('padding', '3em'), self::line('color', 'gold')],
            '.q {padding: 3em;color: gold;} @media (max-width: 640px) {.q {padding: 1em;}}',
        ];
        yield 'the narrower range has the last word, whichever was made first' => [
            [self::line('color', 'red', null, 400), self::line('color', 'teal', null, 900), self::line('color', 'gold')],
            '.q {color: gold;} @media (max-width: 900px) {.q {color: teal;}} @media (max-width: 400px) {.q {color: red;}}',
        ];
        yield 'said at all ranges, it is said once' => [
            [self::line('color', 'gold', null, 640), self::line('color', 'gold', 641, 1099), self::line('color', 'gold', 1100), self::line('padding', '1em', null, 640)],
            '.q {color: gold;} @media (max-width: 640px) {.q {padding: 1em;}}',
        ];
        yield 'ranges that touch are one' => [
            [self::line('color', 'gold', null, 640), self::line('color', 'gold', 641, 900)],
            '@media (max-width: 900px) {.q {color: gold;}}',
        ];
        yield 'ranges with a gap between them are not' => [
            [self::line('color', 'gold', null, 640), self::line('color', 'gold', 800)],
            '@media (min-width: 800px) {.q {color: gold;}} @media (max-width: 640px) {.q {color: gold;}}',
        ];
        yield 'what the wider range says already is not said again' => [
            [self::line('color', 'gold'), self::line('color', 'gold', null, 640)],
            '.q {color: gold;}',
        ];
        yield 'unless something between would show through' => [
            [self::line('padding', '1em'), self::line('padding-left', '2em', null, 900), self::line('padding', '1em', null, 640)],
            '.q {padding: 1em;} @media (max-width: 900px) {.q {padding-left: 2em;}} @media (max-width: 640px) {.q {padding: 1em;}}',
        ];
        yield 'what is off does not count' => [
            [self::line('color', 'gold', null, 640), self::line('color', 'gold', 641, null, false)],
            '@media (max-width: 640px) {.q {color: gold;}}',
        ];
    }

    /** @param  list<OverrideDeclaration>  $lines */
    #[DataProvider('written')]
    public function test_it_is_written_as_a_person_would(array $lines, string $css): void
    {
        $written = SheetWriter::live(new Sheet([new Override('1', '.q', $lines)]));

        self::assertSame($css, trim(str_replace('} }', '}}', (string) preg_replace(['/\s+/', '/([{;]) /'], [' ', '$1'], $written))));
    }

    /** Whatever is joined or left out, at every width the same values win as when all is written out. */
    public function test_joining_changes_no_value_at_any_width(): void
    {
        mt_srand(20261125);
        $pick = static fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
        for ($i = 0; $i < 3000; $i++) {
            $lines = [];
            for ($n = mt_rand(2, 6); $n > 0; $n--) {
                $lines[] = self::line($pick(['padding', 'padding-left', 'color', 'background', 'background-color']), $pick(['a', 'b']), ...$pick([[null, null], [null, 400], [401, 800], [801, null], [null, 800], [300, 500]]));
            }
            $override = new Override('1', '.q', $lines);
            foreach ([200, 350, 450, 600, 900] as $width) {
                self::assertSame(self::winners(self::plainly($override, $width)), self::winners($override->at($width)), SheetWriter::override($override)." at $width");
            }
            $css = SheetWriter::override($override);
            $read = SheetReader::read($css, static fn (): string => '1')->entries;
            self::assertSame($css, implode("\n\n", array_map(static fn ($entry): string => SheetWriter::override($entry), $read)), 'read in, it is written alike');
        }
    }

    /** @return list<OverrideDeclaration> those that count at a width, wide ranges first, nothing joined */
    private static function plainly(Override $override, int $width): array
    {
        $counting = array_values(array_filter($override->declarations, static fn (OverrideDeclaration $d): bool => $override->rangeOf($d)->has($width)));
        $at = array_flip(array_map(static fn (OverrideDeclaration $d): string => $override->rangeOf($d)->media(), array_reverse($override->declarations)));
        usort($counting, static fn (OverrideDeclaration $a, OverrideDeclaration $b): int => [$override->rangeOf($b)->span(), $at[$override->rangeOf($b)->media()]] <=> [$override->rangeOf($a)->span(), $at[$override->rangeOf($a)->media()]]);

        return $counting;
    }

    /**
     * @param  list<OverrideDeclaration>  $declarations
     * @return array<string, string> the value of each longhand
     */
    private static function winners(array $declarations): array
    {
        $values = [];
        foreach ($declarations as $declaration) {
            foreach (\Insignum\Style\Shorthands::longhands($declaration->name) ?: [$declaration->name] as $longhand) {
                $values[$longhand] = "{$declaration->name}: {$declaration->value}";
            }
        }
        ksort($values);

        return $values;
    }

    public function test_it_is_read_in_again_as_one_override(): void
    {
        $css = SheetWriter::whole(new Sheet([
            new Override('1', '.q', [self::line('color', 'gold'), self::line('padding', '1em', null, 640), self::line('margin', '0', null, 640, false)], 'Why'),
            new Override('2', '.q', [self::line('color', 'gold'), self::line('color', 'teal', 900)], 'Off', false, state: 'hover'),
        ]));
        $read = SheetReader::read($css, static fn (): string => 'x');

        self::assertCount(2, $read->entries);
        self::assertSame($css, SheetWriter::whole($read));
        self::assertInstanceOf(Override::class, $read->entries[0]);
        self::assertEquals([new WidthRange, new WidthRange(null, 640)], array_column($read->entries[0]->byWidth(), 0));
    }

    public function test_a_wider_range_further_down_is_another_override(): void
    {
        $css = "@media (max-width: 640px) {\n  .q {\n    color: red;\n  }\n}\n\n.q {\n  color: gold;\n}\n";
        $read = SheetReader::read($css, static fn (): string => 'x');

        self::assertCount(2, $read->entries);
        self::assertSame($css, SheetWriter::whole($read));
    }

    public function test_each_range_is_looked_at(): void
    {
        $override = new Override('1', '.q', [self::line('color', 'gold', 900), self::line('color', 'red', null, 500)], widths: new WidthRange(600, 700));

        self::assertSame([375, 500, 900, 900], array_map($override->nearest(...), [375, 600, 860, 900]));
        $widths = array_map(static fn ($viewing): int => $viewing->condition->width, Account::viewings(new Sheet([$override])));
        self::assertContains(500, $widths);
    }
}
