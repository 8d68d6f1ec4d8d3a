<?php

declare(strict_types=1);

namespace Insignum\Value;

/** Numbers as CSSOM writes them: six significant digits, no trailing zeros. */
final class Number
{
    /** As single-precision numbers hold it: browsers round halves as those fall. */
    public static function single(float $number): float
    {
        return unpack('f', pack('f', $number))[1] ?? $number;
    }

    /** Without an exponent down to a millionth, as browsers write the components of colours. */
    public static function plain(float $number): string
    {
        $size = abs($number);

        return match (true) {
            $size < 1e-10, $size >= 1e-4 => self::format($number),
            $size >= 1e-6 => rtrim(sprintf('%.*f', 5 - (int) floor(log10($size)), $number), '0'),
            default => sprintf('%.5e', $number),
        };
    }

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
            return (string) preg_replace_callback('/\.?0*e([+-])(\d+)/', static fn (array $m): string => sprintf('e%s%02d', $m[1], $m[2]), sprintf('%.5e', $number));
        }

        return $text === '-0' ? '0' : $text;
    }
}
