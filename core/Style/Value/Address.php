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
        if ($base === '' || $address === '' || $address[0] === '#' || preg_match('/\A(?:[a-z][a-z0-9+.-]*:|\/\/)/i', $address)) {
            return $address;
        }
        preg_match('/\A([^?#]*)(.*)\z/s', $address, $m);
        $path = str_starts_with($m[1], '/') ? $m[1] : preg_replace('/[^\/]*\z/', '', $base).$m[1];
        $steps = [];
        foreach (explode('/', ltrim((string) $path, '/')) as $step) {
            if ($step === '..') {
                array_pop($steps);
            } elseif ($step !== '.') {
                $steps[] = $step;
            }
        }

        return '/'.implode('/', $steps).$m[2];
    }
}
