<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

/** Addresses within a site, whose root is written `/`: the path part of the URL standard's parser. */
final class Address
{
    /** $base is the path of the sheet or page the address stands in, as `/css/theme.css`. */
    public static function resolve(string $address, string $base): string
    {
        $address = trim($address);
        if (str_starts_with($address, '//')) {
            return 'http:'.$address;
        }
        if ($base === '' || $address === '' || $address[0] === '#' || preg_match('/\A[a-z][a-z0-9+.-]*:/i', $address)) {
            return $address;
        }
        $length = strcspn($address, '?#');
        $given = substr($address, 0, $length);
        $path = str_starts_with($given, '/') ? $given : preg_replace('/[^\/]*\z/', '', $base).$given;
        $steps = [];
        foreach (explode('/', ltrim((string) $path, '/')) as $step) {
            if ($step === '..') {
                array_pop($steps);
            } elseif ($step !== '.') {
                $steps[] = $step;
            }
        }

        return self::encoded('/'.implode('/', $steps)).substr($address, $length);
    }

    /** The path percent-encode set, as far as sheets meet it: spaces, quotes, angle brackets, what isn't ASCII. */
    private static function encoded(string $path): string
    {
        return (string) preg_replace_callback('/[ "<>`{}\x00-\x1f\x7f-\xff]/', static fn (array $m): string => rawurlencode($m[0]), $path);
    }
}
