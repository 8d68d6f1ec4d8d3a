<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Effect\Covered;
use PHPUnit\Framework\TestCase;

final class CoveredTest extends TestCase
{
    public function test_opaque_children_and_pictures_hide_a_background_and_others_do_not(): void
    {
        $site = SiteFixture::one('<div id="box"><p id="half" style="background: white">a</p><p id="clear">b</p><img id="top"><p id="faint" style="background: white; opacity: .5">c</p></div>', '');
        $styles = $site->styles();
        $ids = array_map(static fn (array $list): int => $list[0], $styles->page->byId);
        $covered = Covered::of($styles, [0, 0, 100, 100], [
            $ids['half'] => [0, 0, 50, 100],
            $ids['clear'] => [50, 0, 50, 100],
            $ids['top'] => [0, 0, 25, 100],
            $ids['faint'] => [75, 0, 25, 100],
        ]);

        self::assertEqualsWithDelta(0.5, $covered->share, 0.02);
        self::assertEqualsCanonicalizing([$ids['half'], $ids['top']], array_keys($covered->by));
        self::assertEqualsWithDelta(0.25, $covered->by[$ids['top']], 0.02);
    }

    public function test_what_sticks_out_hides_no_more_than_there_is(): void
    {
        $site = SiteFixture::one('<div><p id="a" style="background: white">a</p></div>', '');
        $styles = $site->styles();

        self::assertSame(1.0, Covered::of($styles, [10, 10, 100, 100], [$styles->page->byId['a'][0] => [0, 0, 500, 500]])->share);
        self::assertSame(0.0, Covered::of($styles, [10, 10, 0, 100], [])->share);
    }
}
