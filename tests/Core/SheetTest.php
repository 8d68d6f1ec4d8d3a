<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Sheet\Heading;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\RawBlock;
use Insignum\Sheet\Sheet;
use Insignum\Sheet\SheetReader;
use Insignum\Sheet\SheetWriter;
use Insignum\Sheet\WidthRange;
use PHPUnit\Framework\TestCase;

final class SheetTest extends TestCase
{
    private function sheet(): Sheet
    {
        return new Sheet([
            new Heading('1', 'Night sections'),
            new Override('2', '.tone-night .quote', [new OverrideDeclaration('color', '#f4e3c2'), new OverrideDeclaration('border-left', '6px solid #e0b354', true), new OverrideDeclaration('padding', '2em', false, false)], 'Unreadable before; see */ log.'),
            new Override('3', '.quote, .note', [new OverrideDeclaration('background-color', 'teal')], widths: new WidthRange(600, 899), state: 'hover'),
            new Override('4', '.badge', [new OverrideDeclaration('color', 'black')], 'Not sure yet', false),
            new RawBlock('5', "@font-face {\n  font-family: X;\n}"),
        ]);
    }

    public function test_what_goes_live_is_css_a_person_would_write(): void
    {
        self::assertSame(<<<'CSS'
            /* # Night sections */

            /* Unreadable before; see *∕ log. */
            .tone-night .quote {
              color: #f4e3c2;
              border-left: 6px solid #e0b354 !important;
            }

            @media (min-width: 600px) and (max-width: 899px) {
              .quote:hover,
              .note:hover {
                background-color: teal;
              }
            }

            @font-face {
              font-family: X;
            }

            CSS, SheetWriter::live($this->sheet()));
    }

    public function test_any_number_of_round_trips_gives_the_same_sheet(): void
    {
        $css = SheetWriter::whole($this->sheet());
        for ($i = 0; $i < 3; $i++) {
            $id = 0;
            $read = SheetReader::read($css, static function () use (&$id): string {
                return (string) ++$id;
            });
            self::assertSame($css, SheetWriter::whole($read));
            $css = SheetWriter::whole($read);
        }
        self::assertEquals(
            array_map(static fn ($e): string => $e::class, $this->sheet()->entries),
            array_map(static fn ($e): string => $e::class, $read->entries),
        );
        self::assertInstanceOf(Override::class, $read->entries[1]);
        self::assertSame('Unreadable before; see */ log.', $read->entries[1]->note);
        self::assertInstanceOf(Override::class, $read->entries[3]);
        self::assertFalse($read->entries[3]->enabled);
        self::assertSame('Not sure yet', $read->entries[3]->note);
    }

    public function test_foreign_css_loses_nothing(): void
    {
        $css = "/* lone */\n/* kept */\na { top: 0; &:hover { top: 1px } }\n@media print { a { top: 2px } b { top: 3px } }\n@supports (x: y) { a { top: 4px } }\n.x:hover:focus { top: 5px }";
        $id = 0;
        $out = SheetWriter::whole(SheetReader::read($css, static function () use (&$id): string {
            return (string) ++$id;
        }));
        foreach (['/* lone */', '/* kept */', '&:hover { top: 1px }', '@media print', 'top: 3px', '@supports', '.x:hover:focus'] as $part) {
            self::assertStringContainsString($part, $out);
        }
    }

    public function test_order_and_places(): void
    {
        $ids = static fn (Sheet $s): string => implode('', array_map(static fn ($e): string => $e->id(), $s->entries));

        self::assertSame('13245', $ids($this->sheet()->moved('3', 1)));
        self::assertSame('1245', $ids($this->sheet()->without('3')));
        self::assertSame('12345', $ids($this->sheet()->with(new Heading('3', 'x'))));
        self::assertSame(600, (new WidthRange(600, 899))->nearest(375));
    }
}
