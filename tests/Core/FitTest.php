<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Image\Fit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FitTest extends TestCase
{
    /** @return iterable<string, array{array{float, float}, array{int, int}, string, string, string, array<string, float|int>}> */
    public static function fits(): iterable
    {
        yield 'cover crops what is too wide' => [[400, 100], [200, 100], 'cover', '50% 50%', 'no-repeat', ['width' => 400.0, 'height' => 200.0, 'x' => 0.0, 'y' => -50.0, 'scale' => 2.0, 'cropped' => 0.5, 'bare' => 0.0]];
        yield 'contain leaves a margin' => [[400, 100], [200, 100], 'contain', '0% 0%', 'no-repeat', ['width' => 200.0, 'height' => 100.0, 'scale' => 1.0, 'cropped' => 0.0, 'bare' => 0.5]];
        yield 'contain repeats where nobody said no-repeat' => [[400, 100], [200, 100], 'contain', '50% 50%', 'repeat', ['tiles' => 3, 'bare' => 0.0]];
        yield 'a strip tiled across' => [[330, 20], [100, 20], 'auto', '0% 0%', 'repeat-x', ['tiles' => 4, 'cropped' => 0.0, 'bare' => 0.0]];
        yield 'one length, the other by the ratio' => [[400, 400], [200, 100], '50px', '10px 20px', 'no-repeat', ['width' => 50.0, 'height' => 25.0, 'x' => 10.0, 'y' => 20.0, 'scale' => 0.25]];
        yield 'nudged past the edge' => [[100, 100], [100, 100], 'auto', '-30px 0px', 'no-repeat', ['cropped' => 0.3, 'bare' => 0.3]];
        yield 'from the right' => [[300, 100], [100, 100], 'auto', 'calc(100% - 20px) 0%', 'no-repeat', ['x' => 180.0]];
        yield 'round makes whole tiles' => [[250, 100], [100, 100], 'auto', '0% 0%', 'round no-repeat', ['tiles' => 3, 'width' => 250 / 3, 'height' => 250 / 3]];
        yield 'space leaves gaps' => [[250, 100], [100, 100], 'auto', '0% 0%', 'space no-repeat', ['tiles' => 2, 'bare' => 0.2]];
    }

    /**
     * @param  array{float, float}  $box
     * @param  array{int, int}  $image
     * @param  array<string, float|int>  $expected
     */
    #[DataProvider('fits')]
    public function test_an_image_sits_in_its_box(array $box, array $image, string $size, string $position, string $repeat, array $expected): void
    {
        $fit = Fit::of($box, $image, $size, $position, $repeat) ?? self::fail('no fit');
        foreach ($expected as $name => $value) {
            self::assertEqualsWithDelta($value, $fit->{$name}, 0.001, $name);
        }
    }

    public function test_the_subject_is_followed_and_may_be_cropped_away(): void
    {
        $fit = Fit::of([400, 100], [200, 200], 'cover', '50% 0%', 'no-repeat') ?? self::fail('no fit');

        self::assertSame(['x' => 200.0, 'y' => 40.0, 'isSeen' => true], $fit->subject(0.5, 0.1));
        self::assertFalse($fit->subject(0.5, 0.9)['isSeen']);
    }

    public function test_what_has_no_area_has_no_fit(): void
    {
        self::assertNull(Fit::of([0, 100], [10, 10], 'cover', '0% 0%', 'repeat'));
        self::assertNull(Fit::of([10, 100], [10, 10], 'min(1px, 2%)', '0% 0%', 'repeat'));
    }
}
