<?php

declare(strict_types=1);

namespace App\Destinations;

final readonly class LiveSheet
{
    public function __construct(public string $css, public string $etag)
    {
    }
}
