<?php

declare(strict_types=1);

namespace App\Import;

enum FileKind: string
{
    case Page = 'page';
    case Stylesheet = 'stylesheet';
    case Asset = 'asset';
    case Archive = 'archive';
    case Other = 'other';

    public const MIME = [
        'png' => 'image/png', 'jpg' => 'image/jpeg', 'jpeg' => 'image/jpeg', 'gif' => 'image/gif', 'webp' => 'image/webp', 'avif' => 'image/avif',
        'svg' => 'image/svg+xml', 'ico' => 'image/x-icon', 'bmp' => 'image/bmp',
        'woff' => 'font/woff', 'woff2' => 'font/woff2', 'ttf' => 'font/ttf', 'otf' => 'font/otf', 'eot' => 'application/vnd.ms-fontobject',
    ];

    public static function of(string $path): self
    {
        $extension = strtolower(pathinfo($path, PATHINFO_EXTENSION));

        return match (true) {
            in_array($extension, ['html', 'htm', 'xhtml'], true) => self::Page,
            $extension === 'css' => self::Stylesheet,
            $extension === 'zip' => self::Archive,
            isset(self::MIME[$extension]) => self::Asset,
            default => self::Other,
        };
    }

    public static function mime(string $path): string
    {
        return self::MIME[strtolower(pathinfo($path, PATHINFO_EXTENSION))] ?? 'application/octet-stream';
    }
}
