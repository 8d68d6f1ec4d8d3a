<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Style\Declarations;
use Insignum\Syntax\Declaration;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Grammars and serialisation of single values, on an element of 20px in a viewport of 1280 by 800. */
final class ValueTest extends TestCase
{
    /** @return iterable<array{string, string, string, string}> declaration, property asked for, computed value */
    public static function values(): iterable
    {
        yield from [
            ['width', 'calc(1em * 2 - 4px)', 'width', '36px'],
            ['width', 'calc(50% + 1em)', 'width', 'calc(50% + 20px)'],
            ['width', 'min(50%, 10px)', 'width', 'min(50%, 10px)'],
            ['width', 'max(1em, 5px, 1vw)', 'width', '20px'],
            ['width', 'clamp(1px, 300px, 10em)', 'width', '200px'],
            ['width', 'calc(2 * (3px + 1px) / 4)', 'width', '2px'],
            ['width', 'round(up, 11px, 5px)', 'width', '15px'],
            ['width', 'calc(10px * sign(-3))', 'width', '0px'],
            ['width', 'abs(-7px)', 'width', '7px'],
            ['margin-left', 'mod(18px, 5px)', 'margin-left', '3px'],
            ['margin-left', 'calc(pow(2, 3) * 1px)', 'margin-left', '8px'],
            ['margin-left', 'hypot(3px, 4px)', 'margin-left', '5px'],
            ['padding-top', '1in', 'padding-top', '96px'],
            ['padding-top', '2.54cm', 'padding-top', '96px'],
            ['padding-top', '12pt', 'padding-top', '16px'],
            ['padding-top', '1vmin', 'padding-top', '8px'],
            ['font-weight', 'calc(300 + 100)', 'font-weight', '400'],
            ['opacity', '250%', 'opacity', '1'],
            ['border', '2.9px dotted', 'border-left-width', '2px'],
            ['border', '0.2px solid', 'border-left-width', '1px'],
            ['border', 'thick double red', 'border-bottom-color', 'rgb(255, 0, 0)'],
            ['border', 'solid', 'border-top-width', '3px'],
            ['border-width', '1px 2px 3px', 'border-left-width', '2px'],
            ['border-color', 'red blue', 'border-left-color', 'rgb(0, 0, 255)'],
            ['border-radius', '1px 2px / 3px', 'border-bottom-left-radius', '2px 3px'],
            ['border-radius', '50%', 'border-top-left-radius', '50%'],
            ['background', 'url(a.png) no-repeat right 1em top / 50px, red', 'background-position-x', 'calc(100% - 20px), 0%'],
            ['background', 'url(a.png) no-repeat right 1em top / 50px, red', 'background-size', '50px auto, auto'],
            ['background', 'url(a.png) no-repeat, red', 'background-color', 'rgb(255, 0, 0)'],
            ['background', 'content-box padding-box red', 'background-origin', 'content-box'],
            ['background', 'content-box padding-box red', 'background-clip', 'padding-box'],
            ['background', 'fixed border-box', 'background-clip', 'border-box'],
            ['background-repeat', 'repeat no-repeat', 'background-repeat', 'repeat-x'],
            ['background-image', 'linear-gradient(to bottom, red, blue 1em)', 'background-image', 'linear-gradient(rgb(255, 0, 0), rgb(0, 0, 255) 20px)'],
            ['background-image', 'linear-gradient(.25turn, red, 30%, blue)', 'background-image', 'linear-gradient(90deg, rgb(255, 0, 0), 30%, rgb(0, 0, 255))'],
            ['background-image', 'radial-gradient(circle at left top, red, blue)', 'background-image', 'radial-gradient(circle at 0% 0%, rgb(255, 0, 0), rgb(0, 0, 255))'],
            ['background-image', 'conic-gradient(from 0deg at center, red, blue)', 'background-image', 'conic-gradient(rgb(255, 0, 0), rgb(0, 0, 255))'],
            ['background-image', 'url("a b\".png")', 'background-image', 'url("a b\\".png")'],
            ['background-position', 'bottom', 'background-position-y', '100%'],
            ['background-position', 'center 3px', 'background-position-y', '3px'],
            ['background-position', 'left 10% bottom 2px', 'background-position-y', 'calc(100% - 2px)'],
            ['box-shadow', 'inset 0 1px red, 2px 2px', 'box-shadow', 'rgb(255, 0, 0) 0px 1px 0px 0px inset, currentcolor 2px 2px 0px 0px'],
            ['text-decoration', 'underline overline wavy red', 'text-decoration-line', 'underline overline'],
            ['text-decoration', 'none', 'text-decoration-line', 'none'],
            ['outline', 'dashed gold', 'outline-style', 'dashed'],
            ['font', 'italic 700 12px/1.5 "A B", serif', 'font-family', '"A B", serif'],
            ['font', 'italic 700 12px/1.5 "A B", serif', 'line-height', '1.5'],
            ['font', 'italic 700 12px/1.5 "A B", serif', 'font-style', 'italic'],
            ['font', '12px a', 'font-weight', '400'],
            ['list-style', 'none', 'list-style-type', 'none'],
            ['list-style', 'inside url(x.png)', 'list-style-position', 'inside'],
            ['margin', '1px auto', 'margin-right', 'auto'],
            ['margin-inline', '3px 4px', 'margin-right', '4px'],
            ['inset', '0', 'left', '0px'],
            ['overflow', 'hidden', 'overflow-y', 'hidden'],
            ['white-space', 'nowrap', 'text-wrap-mode', 'nowrap'],
            ['display', 'inline flow-root', 'display', 'inline-block'],
            ['border-image', 'url(x.png) 30 fill / 1em round', 'border-image-slice', '30 fill'],
            ['border-image', 'url(x.png) 30 fill / 1em round', 'border-image-width', '20px'],
            ['-webkit-box-shadow', '0 0 1px red', 'box-shadow', 'rgb(255, 0, 0) 0px 0px 1px 0px'],
        ];
    }

    #[DataProvider('values')]
    public function test_a_value_computes_to(string $name, string $value, string $property, string $expected): void
    {
        $declarations = new Declarations;
        $context = new \Insignum\Style\Value\Context(new \Insignum\Value\Units(1280, 800, 20), \Insignum\Colour\Colour::black(), false, ['font-weight' => '400']);
        foreach ($declarations->settings(new Declaration($name, $value, false, 0, 0, 0)) as $setting) {
            if ($setting->property === $property && $setting->value instanceof \Insignum\Style\Value\Specified) {
                self::assertSame($expected, $setting->value->compute($context));

                return;
            }
        }
        self::fail("$name: $value sets no $property.");
    }

    /** @return iterable<array{string, string}> */
    public static function invalid(): iterable
    {
        yield from [
            ['color', 'red blue'], ['color', '5px'], ['width', '5'], ['width', '-5px'], ['width', 'calc(1px + 2)'], ['width', 'calc(1px+2px)'], ['padding', '-1px'], ['padding', 'auto'],
            ['border', '1px 2px'], ['border', 'solid dashed'], ['border-width', '1px 2px 3px 4px 5px'], ['border-style', 'wavy'], ['border-radius', '1px / '], ['background', 'red, blue'],
            ['background', 'red blue'], ['background', 'url(x) no-repeat no-repeat no-repeat'], ['background-position', 'left left'], ['background-position', '1px 2px 3px'], ['background-size', 'cover auto'],
            ['background-image', 'linear-gradient(red blue)'], ['background-image', 'linear-gradient()'], ['background-image', 'linear-gradient(to top bottom, red, blue)'], ['box-shadow', '1px'], ['box-shadow', 'red'],
            ['font', '12px'], ['font', 'italic serif'], ['font-weight', '1001'], ['font-weight', 'heavy'], ['font-size', '-1px'], ['line-height', '-1'], ['opacity', '1px'], ['display', 'block block'],
            ['text-decoration', 'underline none'], ['outline', '1px 1px'], ['margin', ''], ['visibility', 'none'],
        ];
    }

    #[DataProvider('invalid')]
    public function test_a_value_that_browsers_refuse_sets_nothing(string $name, string $value): void
    {
        $settings = (new Declarations)->settings(new Declaration($name, $value, false, 0, 0, 0));

        self::assertSame([], $settings);
    }
}
