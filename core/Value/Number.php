<?php

declare(strict_types=1);

namespace Insignum\Value;

/** Numbers as CSSOM writes them: six significant digits, no trailing zeros. */
final class Number
{
    public static function format(float $number): string
    {
        if (is_nan($number)) {
            return 'NaN';
        }
        if (is_infinite($number)) {
            return $number > 0 ? 'infinity' : '-infinity';
        }
        // What conversions leave behind of a zero.
        $number = abs($number) < 1e-10 ? 0.0 : $number;
        $text = sprintf('%.6g', $number);
        if (str_contains($text, 'e')) {
            return (string) preg_replace('/\.?0*e([+-])0?(\d)/', 'e$1$2', sprintf('%.5e', $number));
        }

        return $text === '-0' ? '0' : $text;
    }
}
