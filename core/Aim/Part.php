<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** One simple selector, the elements that it takes, and what it costs to rely on it. */
final readonly class Part
{
    /**
     * @param  string  $set  of all elements of the site: Census
     * @param  float  $cost  about the bits of doubt it brings: low for what lasts and is plain to read
     * @param  ?string  $reason  what speaks against it
     */
    public function __construct(public string $text, public string $set, public float $cost, public ?string $reason = null)
    {
    }

    public function isTag(): bool
    {
        return preg_match('/\A[a-z]/i', $this->text) === 1;
    }
}
