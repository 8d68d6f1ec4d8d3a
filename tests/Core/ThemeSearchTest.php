<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Aim\ThemeHit;
use Insignum\Aim\ThemeSearch;
use Insignum\Colour\PaletteColour;
use Insignum\Sheet\Override;
use Insignum\Sheet\SheetWriter;
use Insignum\Style\CompiledSheet;
use Insignum\Style\PaletteReader;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ThemeSearchTest extends TestCase
{
    private function sheet(): CompiledSheet
    {
        return SiteFixture::one('', "
            :root { --brass: #e0b354 }\n.badge { background: #ecdfc0; color: white }\n.button, .link:hover { border: 1px solid rgb(224 179 84) }
            @media (max-width: 699px) { .badge:hover { color: #e1b355 !important; padding: 0 } }\n@media print { .badge { color: black } }
            .card { background: var(--brass) }\n.card.big { border-color: var(--brass, red) }")->library->sheet('/theme.css') ?? self::fail();
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function queries(): iterable
    {
        yield 'a class' => ['.card', ['.card', '.card.big']];
        yield 'a property' => ['border', ['.button, .link:hover', '.card.big']];
        yield 'a class and a property' => ['badge color', ['.badge', '.badge:hover', '.badge']];
        yield 'a value' => ['1px solid', ['.button, .link:hover']];
        yield 'a colour, the same first, then those near to it' => ['hsl(40.7deg 69.3% 60.4%)', [':root', '.button, .link:hover', '.badge:hover']];
        yield 'nothing' => ['zebra', []];
    }

    /** @param  list<string>  $selectors */
    #[DataProvider('queries')]
    public function test_rules_are_found(string $query, array $selectors): void
    {
        self::assertSame($selectors, array_map(static fn (ThemeHit $h): string => (string) $h->rule->rule->selectors, (new ThemeSearch([$this->sheet()]))->find($query)));
    }

    public function test_colours_that_can_hardly_be_told_apart_are_one(): void
    {
        $palette = PaletteReader::read([$this->sheet()]);
        $merged = PaletteReader::merged($palette);
        $uses = static fn (array $colours): array => array_column(array_map(static fn (PaletteColour $c): array => [$c->colour->hex(), $c->uses], $colours), 1, 0);

        self::assertArrayHasKey('#e1b355', $uses($palette));
        self::assertArrayNotHasKey('#e1b355', $uses($merged));
        self::assertSame(array_sum($uses($palette)), array_sum($uses($merged)));
        self::assertSame('--brass', $merged[0]->variable);
    }

    public function test_who_uses_a_custom_property(): void
    {
        $found = (new ThemeSearch([$this->sheet()]))->using('--brass');

        self::assertSame(['.card background', '.card.big border-color'], array_map(static fn (ThemeHit $h): string => "{$h->rule->selector->text} {$h->declarations[0]->name}", $found));
    }

    public function test_an_override_begins_where_a_rule_is_with_its_conditions(): void
    {
        $overrides = array_map(static fn ($rule): ?Override => ThemeSearch::override($rule), $this->sheet()->rules());
        $told = array_map(static fn (?Override $o): ?string => $o === null ? null : (string) preg_replace('/\s+/', ' ', SheetWriter::override($o)), $overrides);

        self::assertSame('@media (max-width: 699px) { .badge:hover { color: #e1b355 !important; padding: 0; } }', $told[3]);
        self::assertSame('hover', $overrides[3]?->state);
        self::assertNull($told[4]);
        self::assertSame('.card { background: var(--brass); }', $told[5]);
    }
}
