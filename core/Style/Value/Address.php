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

        return '/'.implode('/', $steps).substr($address, $length);
    }
}
