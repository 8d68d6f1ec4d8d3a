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
            return self::written('http:'.$address);
        }
        if (preg_match('/\A[a-z][a-z0-9+.-]*:/i', $address)) {
            return self::written($address);
        }
        if ($base === '' || $address === '' || $address[0] === '#') {
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

        return self::written('/'.implode('/', $steps).substr($address, $length));
    }

    /** Percent-encoded as the URL standard's parser does: the path, the query and the fragment each by a set of its own. */
    private static function written(string $address): string
    {
        preg_match('/\A([^?#]*)(\?[^#]*)?(#.*)?\z/s', $address, $m);
        $isOpaque = preg_match('/\A[a-z][a-z0-9+.-]*:(?!\/)/i', $address) === 1;

        return self::encoded($m[1] ?? $address, $isOpaque ? '' : ' "<>`{}').self::encoded($m[2] ?? '', ' "\'<>').self::encoded($m[3] ?? '', ' "<>`');
    }

    /** Control characters, what isn't ASCII, and the characters of $set. */
    private static function encoded(string $part, string $set): string
    {
        return (string) preg_replace_callback('/['.preg_quote($set, '/').'\x00-\x1f\x7f-\xff]/', static fn (array $m): string => rawurlencode($m[0]), $part);
    }
}
