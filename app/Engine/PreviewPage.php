<?php

declare(strict_types=1);

namespace App\Engine;

/** A page and its sheets as the frame gets them: addresses from the root lead into the snapshot, and our bridge is the one script that runs. */
final class PreviewPage
{
    public static function html(string $html, string $base, string $nonce): string
    {
        $root = (string) parse_url($base, PHP_URL_PATH);
        $html = (string) preg_replace_callback(
            '/<[a-z][^>]*>/i',
            static fn (array $tag): string => (string) preg_replace_callback(
                '/(\s(?:src|href|poster|data|background|srcset)\s*=\s*)(["\']?)\/(?!\/)/i',
                static fn (array $m): string => "$m[1]$m[2]$root/",
                (string) preg_replace('/(\sintegrity\s*=\s*)(["\'])[^"\']*\2/i', '', $tag[0]),
            ),
            $html,
        );
        $html = (string) preg_replace('/<meta\s[^>]*http-equiv\s*=\s*["\']?(?:refresh|content-security-policy)[^>]*>/i', '<meta>', $html);
        $bridge = '<script nonce="'.$nonce.'" src="'.e(self::bridge()).'"></script>';

        // At the very end, where it shifts no other element; the bridge takes its own element out when it runs.
        return $html.$bridge;
    }

    public static function css(string $css, string $base): string
    {
        $root = (string) parse_url($base, PHP_URL_PATH);

        return (string) preg_replace('/((?:url\(\s*|@import\s+)["\']?)\/(?!\/)/i', "\$1$root/", $css);
    }

    /** The address changes with its content, so that browsers may keep it. */
    private static function bridge(): string
    {
        $file = public_path('build/bridge/bridge.js');

        return url('/build/bridge/bridge.js').'?v='.(is_file($file) ? substr((string) md5_file($file), 0, 10) : '0');
    }

    /** Only our bridge runs, and nothing is fetched but from this snapshot. */
    public static function policy(string $nonce): string
    {
        $origin = rtrim(url('/'), '/');

        return "default-src 'none'; script-src 'nonce-$nonce'; style-src $origin 'unsafe-inline'; img-src $origin data:; font-src $origin data:; media-src $origin; base-uri 'none'; form-action 'none'; frame-ancestors 'self'; sandbox allow-scripts";
    }
}
